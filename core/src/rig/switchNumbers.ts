import { mainRow, type Chain } from './chain';
import type { Row } from './electrical';

/**
 * Numbers to switch by, in the order of the rows: one for each device, and for a switcher one for each of
 * its loops instead.
 */
export function switchNumbers(rig: Chain): ReadonlyMap<string, number> {
  const numbers = new Map<string, number>();
  const give = (id: string) => numbers.set(id, numbers.size + 1);
  const hanging = (deviceId: string) =>
    rig.electrical.rows.filter(
      ({ at }) => (at.kind === 'loop' || at.kind === 'side') && at.device === deviceId,
    );
  const walk = (row: Row) => {
    for (const device of row.devices) {
      if (device.insert === 'switched')
        for (let k = 0; k < device.loops; k++) give(`${device.id}.${k}`);
      else give(device.id);
      hanging(device.id).forEach(walk);
    }
  };
  walk(mainRow(rig));
  for (const row of rig.electrical.rows)
    if (row.at.kind === 'guitar' || row.at.kind === 'ampLoop') walk(row);
  return numbers;
}
