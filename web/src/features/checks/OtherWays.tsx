import {
  cableOfClass,
  FIELD_RULES,
  formatSignedDb,
  headroomDb,
  planReamp,
  speakerPeakV,
  type FieldRule,
  type Sourced,
  type UnitSystem,
} from '@gullwind/core';
import { FormControlLabel, Switch, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { Disclosure } from '../../ui/Disclosure';
import { QuantityField } from '../../ui/QuantityField';

interface Props {
  readonly units: UnitSystem;
  /** The hardest stroke of the source, V. */
  readonly guitarV: number;
}

const rule = (
  label: string,
  quantity: FieldRule['quantity'],
  [min, max]: readonly [number, number],
): FieldRule => ({ label, quantity, min, max });
const LINE = rule('Peak of the line output', 'voltage', [0.01, 20]);
const BOX = rule('Output of the box', 'resistance', [1, 100e3]);
const WATTS = rule('Power of the amp', 'power', [0.1, 1000]);
const LOAD = rule('Loudspeaker', 'resistance', [1, 32]);
const INPUT = rule('The input takes', 'voltage', [0.01, 60]);

const assumed = (value: number): Sourced => ({ value, from: 'assumed' });

type Field = readonly [
  rule: FieldRule,
  label: string,
  value: Sourced,
  assumedFrom: string,
  onChange: (to: Sourced) => void,
];

const Values = ({
  units,
  fields,
}: {
  readonly units: UnitSystem;
  readonly fields: readonly Field[];
}) =>
  fields.map(([rule, label, value, assumedFrom, onChange]) => (
    <QuantityField key={label} {...{ rule, label, value, units, assumedFrom, onChange }} />
  ));

/** The other way round: a recorded track into an amp, and a DI where the loudspeaker is. */
export const OtherWays = (props: Props) => (
  <>
    <Disclosure title="Back into an amp: re-amping">
      <Reamp {...props} />
    </Disclosure>
    <Disclosure title="A DI at the loudspeaker jack">
      <SpeakerTap units={props.units} />
    </Disclosure>
  </>
);

function Reamp({ units, guitarV }: Props) {
  const [lineV, setLine] = useState(assumed(1.75));
  const [outOhm, setOut] = useState(assumed(10e3));
  const [lengthM, setLength] = useState(assumed(3));
  const found = useMemo(
    () =>
      planReamp({
        lineV: lineV.value,
        guitarV,
        outOhm: outOhm.value,
        cable: cableOfClass('ordinary', 'l1', lengthM),
      }),
    [lineV, guitarV, outOhm, lengthM],
  );
  const pad =
    found.padDb >= 0
      ? `Take off ${found.padDb.toFixed(1)} dB, so that the amp meets the ${guitarV} V of the source.`
      : `It is ${(-found.padDb).toFixed(1)} dB below the source: turn the track up.`;
  return (
    <>
      <Values
        units={units}
        fields={[
          [LINE, 'Line peak', lineV, 'a line output at +4 dBu', setLine],
          [BOX, 'Box output', outOhm, 'a re-amp box', setOut],
          [FIELD_RULES.cable.lengthM, 'Cable to the amp', lengthM, 'a short cable', setLength],
        ]}
      />
      <Typography variant="body2" data-testid="reamp">
        {pad} Its output and the cable cost {formatSignedDb(found.trebleDb, 2)} dB of treble,{' '}
        {formatSignedDb(found.levelDb, 2)} dB of level.
      </Typography>
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        A transformer in the box keeps the two grounds apart; lift its ground where it hums, never
        that of the mains. A low output drives any cable; a fuzz first in line wants it high, or a
        pickup simulator. Turn the track down before anything is plugged in.
      </Typography>
    </>
  );
}

function SpeakerTap({ units }: Pick<Props, 'units'>) {
  const [isMadeFor, setMadeFor] = useState(false);
  return (
    <>
      <FormControlLabel
        label="This DI is made for it: it has a loudspeaker input of its own"
        slotProps={{ typography: { variant: 'body2' } }}
        control={<Switch size="small" checked={isMadeFor} onChange={(_, to) => setMadeFor(to)} />}
      />
      {isMadeFor ? <TapLevels units={units} /> : <NotThere />}
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        The loudspeaker, or a load made for that power, stays connected: a tube amp without one is
        damaged. Loudspeaker cable only. Never open the amp: that is work for a qualified
        technician.
      </Typography>
    </>
  );
}

function TapLevels({ units }: Pick<Props, 'units'>) {
  const [powerW, setPower] = useState(assumed(50));
  const [loadOhm, setLoad] = useState(assumed(8));
  const [mostV, setMost] = useState(assumed(4));
  const peakV = speakerPeakV(powerW.value, loadOhm.value);
  const room = headroomDb(peakV, mostV.value);
  return (
    <>
      <Values
        units={units}
        fields={[
          [WATTS, 'Power of the amp', powerW, 'a club amp', setPower],
          [LOAD, 'Loudspeaker', loadOhm, 'a common cabinet', setLoad],
          [INPUT, 'The input takes', mostV, 'a DI on phantom power', setMost],
        ]}
      />
      <Typography variant="body2" data-testid="speaker-tap">
        The jack peaks at {peakV.toFixed(1)} V:{' '}
        {room >= 0
          ? `${formatSignedDb(room)} dB below what the input takes.`
          : `a pad of ${(-room).toFixed(1)} dB at least.`}
      </Typography>
    </>
  );
}

const NotThere = () => (
  <Typography variant="body2" data-testid="speaker-tap" sx={{ color: 'warning.main' }}>
    Then not there. A loudspeaker jack carries tens of volts at amperes: it burns an ordinary DI
    out, and a short there can wreck the amp. Take it before the amp, or from a line output.
  </Typography>
);
