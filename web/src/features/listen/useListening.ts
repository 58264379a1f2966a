import {
  AS_IT_IS,
  SIMULATED_SECONDS,
  STRAIGHT_IN,
  type RenderOptions,
  type RenderQuestion,
  type RigVoice,
  type Rendered,
  type SoundSource,
  type SourceKind,
  type Voice,
} from '@gullwind/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useLongWork } from '../../workers/useLongWork';
import { Player } from './player';

/** A sound of one's own, and the voice that it already went through; null: straight from the coil. */
export interface OwnSound {
  readonly name: string;
  readonly id: string;
  readonly samples: Float32Array;
  readonly rate: number;
  readonly through: string | null;
}

export interface Setting extends RenderOptions {
  readonly play: SourceKind;
  readonly own: OwnSound | null;
}

export const FIRST_SETTING: Setting = {
  play: 'chords',
  own: null,
  isMatched: true,
  speaker: false,
  clipper: false,
};

function sourceOf({ play, own }: Setting, voices: readonly RigVoice[]): SoundSource {
  if (!own) return { kind: 'simulated', play, seconds: SIMULATED_SECONDS };
  const through = voices.find(({ id }) => id === own.through)?.sections ?? null;
  const { id, samples, rate } = own;
  return { kind: 'own', id: `${id} ${own.through}`, sound: { samples, rate }, through };
}

/** What is rendered: straight in, by which all are matched, as it is, and whatever was chosen since. */
function questionOf(
  setting: Setting,
  voices: readonly RigVoice[],
  wanted: readonly string[],
): RenderQuestion | null {
  if (voices.length === 0) return null;
  const { isMatched, speaker, clipper } = setting;
  const chosen: readonly Voice[] = voices
    .filter(({ id }) => wanted.includes(id))
    .map(({ id, sections }) => ({ id, sections }));
  return {
    source: sourceOf(setting, voices),
    voices: chosen,
    options: { isMatched, speaker, clipper },
  };
}

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
  const isThere = (id: string) => voices.some((voice) => voice.id === id);
  const now = isThere(heard) ? heard : isThere(AS_IT_IS) ? AS_IT_IS : STRAIGHT_IN;
  const other = isThere(against) ? against : STRAIGHT_IN;
  const question = useMemo(() => questionOf(setting, voices, asked), [setting, voices, asked]);
  const work = useLongWork('render', question, { begins: true });
  const last = useRef<Rendered | null>(null);
  if (work.state.kind === 'done') last.current = work.state.answer;
  const rendered = last.current;
  const player = usePlayer(rendered, now);
  const want = useCallback(
    (...ids: readonly string[]) =>
      setAsked((before) =>
        ids.every((id) => before.includes(id)) ? before : [...new Set([...before, ...ids])],
      ),
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
  return { setting, change, heard: now, against: other, hear, hold, want, work, rendered, player };
}

export type Listening = ReturnType<typeof useListening>;
