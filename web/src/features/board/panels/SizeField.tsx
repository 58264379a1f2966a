import { entered, type FieldRule, type UnitSystem } from '@gullwind/core';
import { Box, Typography } from '@mui/material';
import { QuantityField } from '../../../ui/QuantityField';

interface Props {
  readonly label: string;
  readonly rule: FieldRule;
  readonly value: number;
  readonly units: UnitSystem;
  readonly onChange: (value: number) => void;
}

/** A number of where something stands: nobody's guess and nobody's measurement, so that it says no origin. */
export const SizeField = ({ label, rule, value, units, onChange }: Props) => (
  <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 104px', alignItems: 'start' }}>
    <Typography variant="body2" sx={{ color: 'text.secondary', pt: '3px' }}>
      {label}
    </Typography>
    <QuantityField
      isBare
      label={label}
      rule={rule}
      value={entered(value)}
      units={units}
      assumedFrom=""
      onChange={(to) => onChange(to.value)}
    />
  </Box>
);
