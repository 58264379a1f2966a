import { entered, type FieldRule, type UnitSystem } from '@gullwind/core';
import { QuantityField } from '../../../ui/QuantityField';

interface Props {
  readonly label: string;
  readonly rule: FieldRule;
  readonly value: number;
  readonly units: UnitSystem;
  readonly onChange: (value: number) => void;
}

/** A number of where something stands: nobody's guess and nobody's measurement, so that it says no origin. */
export const SizeField = ({ value, onChange, ...field }: Props) => (
  <QuantityField
    {...field}
    hasOrigin={false}
    value={entered(value)}
    assumedFrom=""
    onChange={(to) => onChange(to.value)}
  />
);
