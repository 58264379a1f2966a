import type { Settings } from '@gullwind/contract';
import { FIELD_RULES, formatNumber } from '@gullwind/core';
import {
  Alert,
  Box,
  Button,
  FormControl,
  FormControlLabel,
  FormLabel,
  Radio,
  RadioGroup,
  Typography,
} from '@mui/material';
import { useEffect } from 'react';
import {
  messageOf,
  useGetHealthQuery,
  useGetSessionQuery,
  useSignOutAllMutation,
  useSignOutMutation,
} from '../../app/api';
import { useSettings } from '../../app/useSettings';
import { OpenFileButton, useBackUp } from '../files';
import { QuantityField } from '../../ui/QuantityField';

/** What holds for the whole workshop. */
export function SettingsPage() {
  const [settings, change] = useSettings();
  useEffect(() => {
    document.title = 'Settings · Gullwind';
  }, []);
  return (
    <Box
      component="main"
      sx={{ p: 3, maxWidth: 560, display: 'flex', flexDirection: 'column', gap: 3 }}
    >
      <Typography variant="h1">Settings</Typography>
      <Choice
        label="Lengths"
        value={settings.units}
        options={[
          ['metric', 'metres, pF/m'],
          ['imperial', 'feet, pF/ft'],
        ]}
        onChange={(units) => change({ units })}
      />
      <Choice
        label="Light"
        value={settings.theme}
        options={[
          ['system', 'as this machine is set'],
          ['day', 'day: paper'],
          ['night', 'night: for a dark stage'],
        ]}
        onChange={(theme) => change({ theme })}
      />
      <WordsOfSize settings={settings} onUsual={() => change({ scale: null })} />
      <ReferenceCable settings={settings} onChange={(reference) => change({ reference })} />
      <Backup />
      <Session />
      <Version />
    </Box>
  );
}

/** Which Gullwind this is, for whoever asks about it. */
function Version() {
  const { data } = useGetHealthQuery();
  if (!data) return null;
  return (
    <Typography variant="body2" sx={{ color: 'text.secondary' }}>
      {`Gullwind ${data.version}${data.commit === '' ? '' : ` (${data.commit})`}`}
    </Typography>
  );
}

interface ReferenceProps {
  readonly settings: Settings;
  readonly onChange: (reference: Settings['reference']) => void;
}

interface WordsProps {
  readonly settings: Settings;
  readonly onUsual: () => void;
}

/** Whose ears “noticeable” and “plain” go by. */
const WordsOfSize = ({ settings: { scale }, onUsual }: WordsProps) => (
  <Box component="section" aria-labelledby="size-heading">
    <Typography id="size-heading" variant="h2">
      Words of size
    </Typography>
    <Typography variant="body2" sx={{ color: 'text.secondary' }}>
      {scale
        ? `“Noticeable”, “plain” and the others go by ${scale.listener}’s ears: ${formatNumber(scale.thresholdDb, 2)} dB of treble is the least heard.`
        : '“Noticeable”, “plain” and the others go by about 1 dB as the least that is heard. Listen finds your own least loss, by which they can go instead.'}
    </Typography>
    {scale && (
      <Button size="small" onClick={onUsual}>
        Back to the usual ladder
      </Button>
    )}
  </Box>
);

/** What "straight in" means for rigs to come. */
function ReferenceCable({ settings: { reference, units }, onChange }: ReferenceProps) {
  return (
    <Box component="section" aria-labelledby="reference-heading" sx={{ maxWidth: 380 }}>
      <Typography id="reference-heading" variant="h2">
        Reference cable for new rigs
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
        “Straight in” means: the same guitar, by this cable, into the same amp. Rigs keep the one
        they were started with.
      </Typography>
      {(['lengthM', 'cPerMF'] as const).map((field) => (
        <QuantityField
          key={field}
          rule={FIELD_RULES.reference[field]}
          value={reference[field]}
          units={units}
          assumedFrom="an ordinary cable"
          onChange={(value) => onChange({ ...reference, [field]: value })}
        />
      ))}
    </Box>
  );
}

/** The way out, where somebody came in by a passphrase. */
function Session() {
  const { data } = useGetSessionQuery();
  const [signOut, { error: errorHere }] = useSignOutMutation();
  const [signOutAll, { error: errorOfAll }] = useSignOutAllMutation();
  const error = errorHere ?? errorOfAll;
  if (!data?.canSignOut) return null;
  return (
    <Box component="section" aria-labelledby="session-heading">
      <Typography id="session-heading" variant="h2">
        Signed in
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
        This browser stays signed in for 30 days. Sign out on a shared machine. If a machine is
        lost, sign out everywhere: every browser has to enter the passphrase again.
      </Typography>
      <Button variant="outlined" onClick={() => void signOut()} sx={{ mr: 1 }}>
        Sign out
      </Button>
      <Button variant="outlined" onClick={() => void signOutAll()}>
        Sign out everywhere
      </Button>
      {error && <Alert severity="warning">{messageOf(error)}</Alert>}
    </Box>
  );
}

/** Everything to a file, and back. */
function Backup() {
  const backUp = useBackUp();
  return (
    <Box component="section" aria-labelledby="backup-heading">
      <Typography id="backup-heading" variant="h2">
        Backup
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
        All rigs with their revisions, the gear list and these settings in one file. It comes back
        here, or dropped anywhere; over what is there only when you say so.
      </Typography>
      <Button variant="outlined" onClick={() => void backUp()} sx={{ mr: 1 }}>
        Back everything up
      </Button>
      <OpenFileButton>Restore a backup</OpenFileButton>
    </Box>
  );
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [T, string])[];
  readonly onChange: (value: T) => void;
}

function Choice<T extends string>({ label, value, options, onChange }: ChoiceProps<T>) {
  return (
    <FormControl>
      <FormLabel>{label}</FormLabel>
      <RadioGroup value={value} onChange={(_event, next) => onChange(next as T)}>
        {options.map(([option, words]) => (
          <FormControlLabel
            key={option}
            value={option}
            control={<Radio size="small" />}
            label={words}
          />
        ))}
      </RadioGroup>
    </FormControl>
  );
}
