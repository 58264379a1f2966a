import { formatQuantity, type BoardPlan, type Rig, type UnitSystem } from '@gullwind/core';

/** By cable that leaves the boards, where it goes and how far: "to the amp 18 m". */
export function namesOfLeaving(
  { electrical }: Rig,
  { wires }: BoardPlan,
  units: UnitSystem,
): ReadonlyMap<string, string> {
  const names = new Map<string, string>();
  for (const { connection } of wires) {
    if (connection.from !== null && connection.to !== null) continue;
    const row = electrical.rows.find(({ cables }) =>
      cables.some((one) => one?.id === connection.id),
    );
    if (!row) continue;
    const isFirst = row.cables[0]?.id === connection.id;
    const length = formatQuantity(connection.lengthM, 'length', units);
    names.set(connection.id, `${whereTo(electrical, row, isFirst)} ${length}`);
  }
  return names;
}

function whereTo(
  electrical: Rig['electrical'],
  { at }: Rig['electrical']['rows'][number],
  isFirst: boolean,
) {
  const [guitar, amp] = [electrical.guitars[0]!.name, electrical.destinations[0]!.name];
  switch (at.kind) {
    case 'main':
      return isFirst ? guitar : `to ${amp}`;
    case 'guitar':
      return electrical.guitars.find(({ id }) => id === at.guitar)?.name ?? guitar;
    case 'ampLoop':
      return isFirst ? `from ${amp}, send` : `to ${amp}, return`;
    case 'side': {
      const { to } = at;
      const end =
        to.kind === 'destination' &&
        electrical.destinations.find(({ id }) => id === to.destination);
      return end ? `to ${end.name}` : 'out';
    }
    default:
      return 'out';
  }
}
