import { entered, type FieldRule, type UnitSystem } from '@gullwind/core';
import { QuantityField } from './QuantityField';

interface Props {
  readonly rule: FieldRule;
  readonly label?: string;
  readonly value: number;
  readonly units: UnitSystem;
  readonly onChange: (value: number) => void;
}

/** A number with a unit, of which nobody asks where it is from. */
export const PlainQuantityField = ({ value, onChange, ...rest }: Props) => (
  <QuantityField
    {...rest}
    value={entered(value)}
    assumedFrom=""
    hasOrigin={false}
    onChange={(to) => onChange(to.value)}
  />
);
