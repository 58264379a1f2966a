import type { Supply } from '@gullwind/core';

/// Outlets in a few words.

/** "6 × 9 V, 2 × 9 V" */
export const sayOutlets = ({ groups }: Supply): string =>
  groups.map(({ outlets, volts }) => `${outlets} × ${volts} V`).join(', ');
