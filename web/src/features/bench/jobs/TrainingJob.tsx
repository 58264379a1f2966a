import { draftKey, useDraft } from '../../../app/drafts';
import {
  MOST_EXERCISE,
  type ConnectedThing,
  type SentMeasurement,
  type TruthAnswer,
} from '@gullwind/contract';
import {
  CABLE_CLASSES,
  cableOfClass,
  entered,
  formatNumber,
  formatQuantity,
  summariseReadings,
  USUAL_READINGS,
  type CableClass,
  type HiddenFaultOfCable,
} from '@gullwind/core';
import { Alert, Box, Button, FormControlLabel, Checkbox, Typography } from '@mui/material';
import { useState } from 'react';
import { messageOf } from '../../../app/api';
import { useAskTruthMutation } from '../../../app/benchApi';
import { PlainNumberField } from '../../../ui/PlainNumberField';
import { ConnectionDrawing } from '../ConnectionDrawing';
import { useMeter } from '../instruments';
import { useKeep } from '../keep';
import { TypedReading } from '../TypedReading';
import type { JobProps } from './jobProps';
import { ReadingBar } from './ReadingBar';
import { WHOLE_CABLE } from './rules';

const LENGTHS_M = [1, 3, 4.5, 6, 10];
const KINDS: readonly CableClass[] = ['low', 'ordinary', 'high'];
const AT = { quantity: 'Cp', frequencyHz: 1000 } as const;

/** A cable of so many metres whose kind nobody tells. */
function exercise(number: number) {
  const kind = KINDS[number % KINDS.length]!;
  const lengthM = LENGTHS_M[number % LENGTHS_M.length]!;
  const cable = cableOfClass(kind, 'l1', entered(lengthM), 'the cable of the exercise');
  const connected: ConnectedThing = {
    kind: 'cable',
    id: `exercise-${number}`,
    piece: 'whole',
    cable,
    mayBeFaulty: true,
  };
  return { connected, cable, lengthM };
}

/** Measure, commit to a number, and see how far off it was, and why: by a simulated meter that hides the truth. */
export function TrainingJob({ units, meter }: JobProps) {
  const [number, setNumber] = useDraft(draftKey('training', 'number'), 1);
  return (
    <>
      <Typography sx={{ maxWidth: 640, mb: 1 }}>
        The simulated meter hides a cable of its own. Measure it, commit to its capacitance, and
        then see what it truly is. Now and then a cable is not what it seems: say so instead.
      </Typography>
      <Box sx={{ width: 220, mb: 1 }}>
        <PlainNumberField
          label="Exercise"
          value={number}
          max={MOST_EXERCISE}
          isWhole
          onChange={setNumber}
        />
      </Box>
      {meter.isSimulated ? (
        <Exercise key={number} number={number} units={units} meter={meter} />
      ) : (
        <Alert severity="info">
          This needs the simulated meter: the server was started without one, or another one is
          chosen above.
        </Alert>
      )}
    </>
  );
}

type Props = Pick<JobProps, 'units' | 'meter'> & { readonly number: number };

function Exercise({ number, units, meter }: Props) {
  const { connected, cable, lengthM } = exercise(number);
  const label = CABLE_CLASSES[cable.cableClass].label;
  const draft = draftKey('training', String(number));
  const [values, setValues] = useDraft<readonly number[]>(draftKey(draft, 'readings'), []);
  const [isCorrected, setCorrected] = useDraft(draftKey(draft, 'corrected'), false);
  const [isTold, setTold] = useState<Commitment | null>(null);
  const { read, isReading, problem } = useMeter(meter);
  const summary = summariseReadings(values);
  const take = async () => {
    const answer = await read(connected, AT, USUAL_READINGS, isCorrected);
    if (answer) setValues((before) => [...before, ...answer.values]);
  };
  return (
    <>
      <ConnectionDrawing setup="cable" />
      <Typography variant="body2">{`${formatQuantity(lengthM, 'length', units)} of cable, both plugs on; its label says “${label}”, about ${formatQuantity(cable.cPerMF.value, 'capacitancePerLength', units)}.`}</Typography>
      <FormControlLabel
        control={
          <Checkbox
            size="small"
            checked={isCorrected}
            onChange={(_, to) => {
              setCorrected(to);
              setValues([]);
            }}
          />
        }
        label="Open correction: the meter takes off what its own clips have"
      />
      <ReadingBar
        {...{ units, isReading, problem, values, summary }}
        chosen={meter}
        rule={WHOLE_CABLE}
        plausibility={null}
        onTake={() => void take()}
        onTyped={() => undefined}
        onForget={() => setValues([])}
      />
      {values.length > 0 && !isTold && <Commit units={units} onCommit={setTold} />}
      {isTold && (
        <Truth {...{ connected, units, meter, values, isCorrected, number }} commitment={isTold} />
      )}
    </>
  );
}

type Commitment =
  { readonly kind: 'value'; readonly totalF: number } | { readonly kind: HiddenFaultOfCable };

interface CommitProps {
  readonly units: Props['units'];
  readonly onCommit: (to: Commitment) => void;
}

function Commit({ units, onCommit }: CommitProps) {
  return (
    <Box component="section" aria-label="Commit" sx={{ mt: 1 }}>
      <Typography sx={{ mb: 0.5 }}>What do you say it has?</Typography>
      <TypedReading
        rule={WHOLE_CABLE}
        units={units}
        action="I say so"
        onRead={(totalF) => onCommit({ kind: 'value', totalF })}
      />
      <Button onClick={() => onCommit({ kind: 'shorted' })}>It is shorted</Button>
      <Button onClick={() => onCommit({ kind: 'open' })}>It is open</Button>
      <Button onClick={() => onCommit({ kind: 'swapped' })}>It is another kind</Button>
    </Box>
  );
}

interface TruthProps extends Props {
  readonly connected: ConnectedThing;
  readonly commitment: Commitment;
  readonly values: readonly number[];
  readonly isCorrected: boolean;
}

/** What it truly is; asked for when the number stands. */
function Truth(props: TruthProps) {
  const { connected, commitment, values, meter, number } = props;
  const [ask, { isLoading }] = useAskTruthMutation();
  const { keep } = useKeep();
  const [says, setSays] = useState<readonly string[] | null>(null);
  const reveal = async () => {
    const answer = await ask({ id: meter.id, connected });
    if (!('data' in answer) || !answer.data) return setSays([messageOf(answer.error)]);
    const lines = sayTruth(props, answer.data);
    setSays(lines);
    const sent: SentMeasurement = {
      job: 'training',
      rig: null,
      gear: null,
      subject: `exercise ${number}`,
      instrument: meter.name,
      isSimulated: true,
      readings: [
        {
          label: 'whole cable',
          quantity: 'capacitance',
          values,
          conditions: { frequencyHz: 1000, mode: 'Cp' },
        },
      ],
      responses: [],
      figures:
        commitment.kind === 'value'
          ? [{ label: 'said', quantity: 'capacitance', value: commitment.totalF, error: null }]
          : [],
      words: lines.join(' '),
      by: '',
      note: '',
    };
    await keep(sent);
  };
  return says === null ? (
    <Button variant="contained" disabled={isLoading} onClick={() => void reveal()}>
      Show what it truly is
    </Button>
  ) : (
    <Box role="status" sx={{ mt: 1, maxWidth: 640 }}>
      {says.map((line) => (
        <Typography key={line}>{line}</Typography>
      ))}
    </Box>
  );
}

/** How it would have been seen. */
const MISSED = {
  shorted: 'A short shows a capacitance that no cable has: far too much, or below nought.',
  open: 'An open cable shows little more than a plug, about 15 pF.',
  swapped: 'More than a fifth away from its label, it is not what the label says.',
} as const satisfies Readonly<Record<HiddenFaultOfCable, string>>;

function sayTruth(
  { commitment, values, isCorrected, units }: TruthProps,
  { values: truth, fault }: TruthAnswer,
): readonly string[] {
  const seen = commitment.kind === fault ? 'You saw it.' : '';
  if (fault === 'shorted' || fault === 'open') return [`It is ${fault}.`, seen || MISSED[fault]];
  const total = truth.cPerMF! * truth.lengthM! + 2 * truth.plugF!;
  const say = (value: number) => formatQuantity(value, 'capacitance', units, 4);
  const says: string[] = [
    `It has ${say(total)}: ${formatQuantity(truth.cPerMF!, 'capacitancePerLength', units)} over ${formatQuantity(truth.lengthM!, 'length', units)}, and ${say(truth.plugF!)} in each plug.`,
  ];
  if (fault === 'swapped')
    says.push(`It is another kind than its label says. ${seen || MISSED.swapped}`);
  if (commitment.kind !== 'value')
    return fault === commitment.kind ? says : [...says, `It is not ${commitment.kind}.`];
  const off = commitment.totalF - total;
  const { median } = summariseReadings(values)!;
  return [
    ...says,
    `You said ${say(commitment.totalF)}: ${say(Math.abs(off))} too ${off < 0 ? 'little' : 'much'}, ${formatNumber((100 * off) / total, 1)} %.`,
    `The readings were off by ${say(Math.abs(median - total))} themselves: ${isCorrected ? '' : 'about 2 pF of clips, which an open correction takes off, and '}what the meter may be off by, 0.3 %.`,
  ];
}
