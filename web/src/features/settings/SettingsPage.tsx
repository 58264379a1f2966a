import { FIELD_RULES } from '@gullwind/core';
import {
  Box,
  FormControl,
  FormControlLabel,
  FormLabel,
  Radio,
  RadioGroup,
  Typography,
} from '@mui/material';
import { useEffect } from 'react';
import { useSettings } from '../../app/useSettings';
import { QuantityField } from '../../ui/QuantityField';

/** What holds for the whole workshop. */
export function SettingsPage() {
  const [settings, change] = useSettings();
  const { reference } = settings;
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
      <Box component="section" aria-labelledby="reference-heading" sx={{ maxWidth: 380 }}>
        <Typography id="reference-heading" variant="h2">
          Reference lead for new rigs
        </Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
          “Straight in” means: the same guitar, by this lead, into the same amp. Rigs keep the one
          they were started with.
        </Typography>
        {(['lengthM', 'cPerMF'] as const).map((field) => (
          <QuantityField
            key={field}
            rule={FIELD_RULES.reference[field]}
            value={reference[field]}
            units={settings.units}
            assumedFrom="an ordinary lead"
            onChange={(value) => change({ reference: { ...reference, [field]: value } })}
          />
        ))}
      </Box>
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
