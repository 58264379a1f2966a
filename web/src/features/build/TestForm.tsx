import { draftKey, draftsSent, useDraft } from '../../app/drafts';
import type { BuildCable, Cable } from '@gullwind/core';
import { Box, Button, InputBase, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useId } from 'react';
import { useAddTestMutation } from '../../app/api';
import { sayFailure } from '../../app/failures';
import { newId } from '../../app/newId';
import { FieldMessage } from '../../ui/FieldMessage';
import { PanelGroup } from '../../ui/parts/PanelGroup';
import {
  AUDIO,
  isDoneBy,
  foundAgain,
  foundNext,
  NOTHING_FOUND,
  OTHER,
  sayKeep,
  testNow,
  type Found,
  type Typed,
} from './model/testing';

interface Props {
  readonly rigId: string;
  readonly revision: number;
  readonly cable: BuildCable;
  readonly audio: Cable | null;
  /** All was tried and nothing is wrong. */
  readonly onPassed: () => void;
}

/** What is being found of a cable, and how it is kept. */
function useTest({ rigId, revision, cable, audio, onPassed }: Props) {
  const draft = draftKey('test', rigId, cable.id);
  const [found, setFound] = useDraft<Found>(draft, NOTHING_FOUND);
  const [addTest, { isLoading }] = useAddTestMutation();
  const now = testNow({ cable, audio, revision, ...found });
  const keep = () => {
    // At once: what is answered from now on is of the next test, however long the server takes.
    setFound(foundNext);
    draftsSent(draft);
    void addTest({ id: rigId, testId: newId(), test: now.test })
      .unwrap()
      .then(() => {
        if (isDoneBy(now.finding)) onPassed();
      })
      .catch(() => {
        setFound((meanwhile) => foundAgain(meanwhile, found));
        sayFailure('The test could not be kept: the server did not take it.');
      });
  };
  return { ...now, ...found, setFound, keep, isOff: isLoading || !now.isReadable };
}

/** A cable on the meter: big answers, two readings, one button. */
export function TestForm(props: Props) {
  const { audio } = props;
  const { tried, typed, setFound, leak, reading, finding, keep, isOff } = useTest(props);
  const type = (key: keyof Typed) => (text: string) =>
    setFound((now) => ({ ...now, typed: { ...now.typed, [key]: text } }));
  return (
    <PanelGroup title="Test">
      {(audio ? AUDIO : OTHER).map(([key, label]) => (
        <Answer
          key={key}
          label={label}
          value={tried[key]}
          onChange={(to) => setFound((now) => ({ ...now, tried: { ...now.tried, [key]: to } }))}
        />
      ))}
      {audio && (
        <>
          <TypedField
            label="Tip to sleeve, ohms range"
            hint="above 20 MΩ"
            text={typed.leak}
            onText={type('leak')}
            message={leak.message}
          />
          <TypedField
            label="pF reading"
            hint="whole cable"
            text={typed.reading}
            onText={type('reading')}
            message={reading.message}
          />
        </>
      )}
      <TypedField
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
        {sayKeep(finding)}
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

interface FieldProps {
  readonly label: string;
  readonly hint: string;
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly message: string | null;
}

function TypedField({ label, hint, text, onText, message }: FieldProps) {
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
