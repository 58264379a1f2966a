import {
  driveWay,
  chainOf,
  formatNumber,
  type FieldRule,
  type Rig,
  type Section,
  type UnitSystem,
} from '@gullwind/core';
import { Alert, Box, Button, Typography } from '@mui/material';
import { useEffect, useMemo, useRef, useState } from 'react';
import { PlainQuantityField } from '../../ui/PlainQuantityField';
import { questionsWorker } from '../../workers/workers';
import { LiveInput } from './live';
import type { ListenProps } from './listenProps';
import { useVoiceKeys } from './useVoiceKeys';
import { VoiceList } from './VoiceList';

const INPUT: FieldRule = {
  label: 'Input of your interface',
  quantity: 'resistance',
  min: 10e3,
  max: 1e8,
};

interface Props extends ListenProps {
  readonly rig: Rig;
  readonly units: UnitSystem;
}

/** Play yourself: what the rig would do beyond what your interface’s input does already. */
export function LivePanel(props: Props) {
  const { rig, units, voices, listening, scale } = props;
  const [rInOhm, setInput] = useState(1e6);
  const from = useMemo(() => atInterface(rig, rInOhm), [rig, rInOhm]);
  const live = useLive(from, voices.find(({ id }) => id === listening.heard)?.sections ?? null);
  useVoiceKeys(voices, listening);
  return (
    <Box component="section" aria-label="Live input" sx={{ maxWidth: 680 }}>
      <LiveIntroduction />
      <Box sx={{ width: 300, my: 1 }}>
        <PlainQuantityField
          rule={INPUT}
          value={rInOhm}
          units={units}
          onChange={(value) => setInput(value)}
        />
      </Box>
      <Button variant="contained" onClick={() => void live.toggle()}>
        {live.isOn ? 'Stop' : 'Begin'}
      </Button>
      <Typography role="status" variant="body2" sx={{ my: 1 }}>
        {live.says}
      </Typography>
      <VoiceList
        voices={voices}
        heard={listening.heard}
        against={listening.against}
        scale={scale}
        isTold
        onHear={listening.hear}
        onHold={listening.hold}
      />
    </Box>
  );
}

const LiveIntroduction = () => (
  <>
    <Typography variant="h2" sx={{ fontSize: 19 }}>
      Play yourself
    </Typography>
    <Typography sx={{ my: 1 }}>
      The guitar by its short cable into your interface; here it gets what the chosen voice does
      beyond that. The browser asks first, and echo cancelling and noise suppression are off.
    </Typography>
    <Alert severity="warning">
      Headphones: a loudspeaker beside an open microphone howls. Volume down first.
    </Alert>
  </>
);

/** What the sound went through when it comes in: the same guitar by the reference cable into this input. */
function atInterface(rig: Rig, rOhm: number): readonly Section[] {
  const { reference } = driveWay(chainOf(rig)).route;
  return [{ ...reference, load: { rOhm, cF: 0, grid: null } }];
}

function useLive(from: readonly Section[], to: readonly Section[] | null) {
  const live = useRef<LiveInput | null>(null);
  const [isOn, setOn] = useState(false);
  const [says, setSays] = useState('Not listening.');
  useEffect(() => () => live.current?.close(), []);
  useEffect(() => {
    const input = live.current;
    if (!isOn || !to || !input) return undefined;
    let isWanted = true;
    void questionsWorker()
      .impulseOf(from, to, input.rate)
      .then(({ sound, cappedFromHz }) => {
        if (!isWanted) return;
        input.use(sound.samples);
        const capped =
          cappedFromHz === null
            ? ''
            : ` Above ${Math.round(cappedFromHz)} Hz it would have to lift more than 18 dB; it lifts 18.`;
        setSays(
          `Listening. It comes ${formatNumber(input.latencyMs, 0)} ms late, 10 of them for the filter.${capped}`,
        );
      });
    return () => {
      isWanted = false;
    };
  }, [isOn, from, to]);
  const toggle = async () => {
    if (isOn) {
      live.current?.close();
      live.current = null;
      setOn(false);
      return setSays('Not listening.');
    }
    const opened = await LiveInput.open();
    if (opened.kind === 'refused') return setSays(opened.message);
    live.current = opened.input;
    return setOn(true);
  };
  return { isOn, says, toggle };
}
