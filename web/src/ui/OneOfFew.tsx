import { ToggleButton, ToggleButtonGroup } from '@mui/material';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [value: T, words: string])[];
  readonly onChange: (value: T) => void;
}

/** One of a few, side by side. */
export const OneOfFew = <T extends string>({ label, value, options, onChange }: Props<T>) => (
  <ToggleButtonGroup
    size="small"
    exclusive
    value={value}
    aria-label={label}
    onChange={(_, to: T | null) => to && onChange(to)}
    sx={{ flexWrap: 'wrap' }}
  >
    {options.map(([one, words]) => (
      <ToggleButton key={one} value={one} sx={{ textTransform: 'none', py: 0.25 }}>
        {words}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);
