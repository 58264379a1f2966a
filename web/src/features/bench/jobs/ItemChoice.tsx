import type { GearItem, ItemOf } from '@gullwind/core';
import { BarChoice } from '../../../ui/BarChoice';

interface Props<K extends GearItem['kind']> {
  readonly label: string;
  readonly items: readonly ItemOf<K>[];
  readonly value: string;
  readonly onChange: (id: string) => void;
}

/** Which entry of the gear list lies on the bench. */
export function ItemChoice<K extends GearItem['kind']>({
  label,
  items,
  value,
  onChange,
}: Props<K>) {
  return (
    <BarChoice label={label} value={value} onChange={onChange}>
      {items.map(({ id, thing }) => (
        <option key={id} value={id}>
          {thing.name}
        </option>
      ))}
    </BarChoice>
  );
}
