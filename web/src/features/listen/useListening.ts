import { AS_IT_IS, STRAIGHT_IN, type Rendered, type RigVoice } from '@gullwind/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useLongWork } from '../../workers/useLongWork';
import { FIRST_SETTING, pairOf, questionOf, wantedWith, type Setting } from './model/setting';
import { Player } from './model/player';

/** The player with what was rendered in it; made when it is first needed, and closed with the page. */
export function usePlayer(rendered: Rendered | null, heard: string) {
  const player = useRef<Player | null>(null);
  const [isPlaying, setPlaying] = useState(false);
  const first = useRef(heard);
  first.current = heard;
  const own = useCallback(() => (player.current ??= new Player(first.current)), []);
  useEffect(() => () => player.current?.close(), []);
  useEffect(() => {
    if (rendered) own().load(rendered.voices, rendered.rate);
  }, [rendered, own]);
  // Not when something else was rendered: a blind test hears what this does not say.
  useEffect(() => player.current?.hear(heard), [heard]);
  const toggle = useCallback(() => {
    const now = own();
    const was = now.isPlaying;
    if (was) now.pause();
    else void now.play();
    setPlaying(!was);
  }, [own]);
  const stop = useCallback(() => {
    player.current?.pause();
    setPlaying(false);
  }, []);
  const position = useCallback(() => player.current?.position ?? 0, []);
  const seek = useCallback((at: number) => own().seek(at), [own]);
  /** Without a trace on the page. */
  const hear = useCallback((id: string) => own().hear(id), [own]);
  return { isPlaying, toggle, stop, position, seek, hear };
}

/** What is heard, what it is held against, and the sound of both. */
export function useListening(voices: readonly RigVoice[]) {
  const [setting, setSetting] = useState(FIRST_SETTING);
  const [heard, setHeard] = useState(AS_IT_IS);
  const [against, setAgainst] = useState(STRAIGHT_IN);
  const [asked, setAsked] = useState<readonly string[]>([STRAIGHT_IN, AS_IT_IS]);
  const pair = pairOf(voices, heard, against);
  const question = useMemo(() => questionOf(setting, voices, asked), [setting, voices, asked]);
  const work = useLongWork('render', question, { begins: true });
  const last = useRef<Rendered | null>(null);
  if (work.state.kind === 'done') last.current = work.state.answer;
  const rendered = last.current;
  const player = usePlayer(rendered, pair.heard);
  const want = useCallback(
    (...ids: readonly string[]) => setAsked((before) => wantedWith(before, ids)),
    [],
  );
  const hear = useCallback(
    (id: string) => {
      want(id);
      setHeard(id);
    },
    [want],
  );
  const hold = useCallback(
    (id: string) => {
      want(id);
      setAgainst(id);
    },
    [want],
  );
  const change = (to: Partial<Setting>) => setSetting((before) => ({ ...before, ...to }));
  return { setting, change, ...pair, hear, hold, want, work, rendered, player };
}

export type Listening = ReturnType<typeof useListening>;
