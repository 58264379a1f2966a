import type { FieldRule } from '@gullwind/core';

/// What may be read at the bench.

export const WHOLE_CABLE: FieldRule = {
  label: 'Capacitance',
  quantity: 'capacitance',
  min: 0,
  max: 1e-6,
};
export const INDUCTANCE: FieldRule = {
  label: 'Inductance',
  quantity: 'inductance',
  min: 0,
  max: 1000,
};
export const RESISTANCE: FieldRule = {
  label: 'Resistance',
  quantity: 'resistance',
  min: 0,
  max: 1e9,
};
