import {
  findingOf,
  parseQuantity,
  type BuildCable,
  type Cable,
  type CableTest,
} from '@gullwind/core';
import { Box, Button, InputBase, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useId, useState } from 'react';
import { useAddTestMutation } from '../../app/api';
import { sayFailure } from '../../app/failures';
import { newId } from '../../app/newId';
import { FieldMessage } from '../../ui/FieldMessage';
import { PanelGroup } from '../../ui/parts/PanelGroup';

interface Props {
  readonly rigId: string;
  readonly revision: number;
  readonly cable: BuildCable;
  readonly audio: Cable | null;
  /** All was tried and nothing is wrong. */
  readonly onPassed: () => void;
}

type Tried = 'tipThrough' | 'sleeveThrough' | 'ringThrough' | 'silentPlugs' | 'pull' | 'wiggle';

const AUDIO: readonly (readonly [Tried, string])[] = [
  ['tipThrough', 'Tip to tip through'],
  ['sleeveThrough', 'Sleeve to sleeve through'],
  ['ringThrough', 'Ring, where there is one'],
  ['silentPlugs', 'Silent plugs, where they are'],
  ['pull', 'Holds when pulled'],
  ['wiggle', 'Quiet when moved'],
];

const OTHER: readonly (readonly [Tried, string])[] = [
  ['tipThrough', 'Middle to middle through'],
  ['sleeveThrough', 'Outside to outside through'],
  ['pull', 'Holds when pulled'],
  ['wiggle', 'Holds when moved'],
];

const NOTHING: Record<Tried, boolean | null> = {
  tipThrough: null,
  sleeveThrough: null,
  ringThrough: null,
  silentPlugs: null,
  pull: null,
  wiggle: null,
};

/** What was typed as a number, or why it is none; nothing typed is not tried. */
function readTyped(
  label: string,
  text: string,
  quantity: 'resistance' | 'capacitance',
  most: number,
) {
  if (text.trim() === '') return { value: null, message: null };
  const read = parseQuantity(text, quantity, 'metric');
  if (read.kind !== 'ok') return { value: null, message: `${label}: ${read.message}` };
  return read.si >= 0 && read.si <= most
    ? { value: read.si, message: null }
    : { value: null, message: `${label}: it must be between 0 and what a meter shows.` };
}

/** What is being found of a cable, and how it is kept. */
function useTest({ rigId, revision, cable, audio, onPassed }: Props) {
  const [tried, setTried] = useState(NOTHING);
  const [typed, setTyped] = useState(NOTHING_TYPED);
  const [addTest, { isLoading }] = useAddTestMutation();
  const leak = readTyped('Tip to sleeve', typed.leak, 'resistance', 1e12);
  const reading = readTyped('Reading', typed.reading, 'capacitance', 1e-6);
  const test: Omit<CableTest, 'id' | 'at'> = {
    ...tried,
    cable: cable.id,
    label: cable.label,
    revision: Math.max(1, revision),
    fingerprint: cable.fingerprint.slice(0, 400),
    lengthM: cable.lengthM,
    leakOhm: leak.value,
    capacitanceF: reading.value,
    by: typed.by.trim(),
    note: '',
  };
  const finding = findingOf(test, audio);
  const keep = () =>
    void addTest({ id: rigId, testId: newId(), test })
      .unwrap()
      .then(() => {
        setTried(NOTHING);
        setTyped({ ...NOTHING_TYPED, by: typed.by });
        if (finding.isPassed) onPassed();
      })
      .catch(() => sayFailure('The test could not be kept: the server did not take it.'));
  const isOff = isLoading || leak.message !== null || reading.message !== null;
  return { tried, setTried, typed, setTyped, leak, reading, finding, keep, isOff };
}

const NOTHING_TYPED = { leak: '', reading: '', by: '' };

const sayKeep = (isPassed: boolean | null): string => {
  if (isPassed === null) return 'Keep what was tried';
  return isPassed ? 'Keep: it is right' : 'Keep: it is not right';
};

/** A cable on the meter: big answers, two readings, one button. */
export function TestForm(props: Props) {
  const { audio } = props;
  const { tried, setTried, typed, setTyped, finding, keep, isOff, ...read } = useTest(props);
  const type = (key: keyof typeof typed) => (text: string) => setTyped({ ...typed, [key]: text });
  return (
    <PanelGroup title="Test">
      {(audio ? AUDIO : OTHER).map(([key, label]) => (
        <Answer
          key={key}
          label={label}
          value={tried[key]}
          onChange={(to) => setTried({ ...tried, [key]: to })}
        />
      ))}
      {audio && (
        <>
          <Typed
            label="Tip to sleeve, ohms range"
            hint="above 20 MΩ"
            text={typed.leak}
            onText={type('leak')}
            message={read.leak.message}
          />
          <Typed
            label="pF reading"
            hint="whole cable"
            text={typed.reading}
            onText={type('reading')}
            message={read.reading.message}
          />
        </>
      )}
      <Typed
        label="Who"
        hint=""
        text={typed.by}
        onText={(text) => type('by')(text.slice(0, 80))}
        message={null}
      />
      {finding.says.map((one) => (
        <Typography key={one} variant="body2" sx={{ color: 'error.main' }}>
          {one}
        </Typography>
      ))}
      <Button variant="contained" disabled={isOff} onClick={keep} sx={{ minHeight: 48, mt: 0.5 }}>
        {sayKeep(finding.isPassed)}
      </Button>
    </PanelGroup>
  );
}

interface AnswerProps {
  readonly label: string;
  readonly value: boolean | null;
  readonly onChange: (value: boolean | null) => void;
}

function Answer({ label, value, onChange }: AnswerProps) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 46 }}>
      <Box sx={{ flex: 1, fontSize: 14 }}>{label}</Box>
      <ToggleButtonGroup
        exclusive
        value={value}
        aria-label={label}
        onChange={(_event, to: boolean | null) => onChange(to)}
      >
        <ToggleButton value sx={YES}>
          yes
        </ToggleButton>
        <ToggleButton value={false} sx={YES}>
          no
        </ToggleButton>
      </ToggleButtonGroup>
    </Box>
  );
}

const YES = { minWidth: 56, minHeight: 44, textTransform: 'none', fontSize: 16 } as const;

interface TypedProps {
  readonly label: string;
  readonly hint: string;
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly message: string | null;
}

function Typed({ label, hint, text, onText, message }: TypedProps) {
  const id = useId();
  return (
    <Box>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: '1fr 110px',
          alignItems: 'center',
          minHeight: 40,
        }}
      >
        <Typography component="label" htmlFor={id} variant="body2">
          {label}
        </Typography>
        <InputBase
          id={id}
          value={text}
          placeholder={hint}
          onChange={(event) => onText(event.target.value)}
          inputProps={{ 'aria-invalid': message !== null, autoComplete: 'off' }}
          sx={{ borderBottom: 1, borderColor: 'divider', fontSize: 15 }}
        />
      </Box>
      <FieldMessage id={`${id}-message`} message={message} />
    </Box>
  );
}
