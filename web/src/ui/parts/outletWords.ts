import { formatQuantity, settingsOf, type OutletGroup, type Supply } from '@gullwind/core';

/// Outlets in a few words.

/** "9 V 100 mA or 12 V 80 mA" */
export const saySettings = (group: OutletGroup): string =>
  settingsOf(group)
    .map(
      ({ volts, amps }) =>
        `${formatQuantity(volts, 'voltage', 'metric')} ${formatQuantity(amps, 'current', 'metric')}`,
    )
    .join(' or ');

/** "6 × 9 V, 2 × 9 V" */
export const sayOutlets = ({ groups }: Supply): string =>
  groups.map(({ outlets, volts }) => `${outlets} × ${volts} V`).join(', ');
