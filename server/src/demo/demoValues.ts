import type { Provenance, Sourced } from '@gullwind/core';

/// Numbers of the demo, and where they are from.

const from =
  (provenance: Provenance) =>
  (value: number): Sourced => ({ value, from: provenance });
export const sheet = from('sheet');
/** On the workshop’s own meter. */
export const measured = (value: number): Sourced => ({
  value,
  from: 'measured',
  on: '2026-09-14',
  by: 'bench LCR meter, 1 kHz',
});
export const entered = from('entered');
