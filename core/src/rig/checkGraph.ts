import { findDevice, mainRow, rowOf } from './chain';
import type { Electrical, Row } from './electrical';
import type { RigProblem } from './rigProblem';

/** What the rows are checked in. */
type Wired = { readonly electrical: Electrical };

/**
 * What must hold between the rows of a rig: one main row; every row from a jack that is there to a jack
 * that is there; one cable in each jack; no row that runs through itself; every end reached.
 */
export function* checkGraph(rig: Wired): Generator<RigProblem> {
  for (const [i, row] of rig.electrical.rows.entries()) {
    const path = `electrical.rows[${i}]`;
    const message = connectionsProblem(row) ?? placeProblem(rig, row, i);
    if (message) yield { path, message };
  }
  yield* checkJacks(rig);
  yield* checkDestinations(rig);
  yield* checkCircles(rig);
}

function connectionsProblem({ devices, cables }: Row): string | null {
  const needed = devices.length + 1;
  if (cables.length === needed) return null;
  return `Cables: ${cables.length} for ${devices.length} devices; every connection needs one, ${needed} in all.`;
}

function placeProblem(rig: Wired, { at }: Row, index: number): string | null {
  if ((at.kind === 'main') !== (index === 0))
    return index === 0 ? 'The first row is not the main row.' : 'There is a second main row.';
  switch (at.kind) {
    case 'main':
      return null;
    case 'guitar':
      return guitarProblem(rig, at.guitar, at.selector);
    case 'side':
      return sideProblem(rig, at.device, at.to);
    case 'loop': {
      const device = findDevice(rig, at.device);
      if (!device) return `A loop begins at “${at.device}”, which is not in the rig.`;
      if (Number.isInteger(at.loop) && at.loop >= 0 && at.loop < device.loops) return null;
      return `${device.name} has no loop ${at.loop + 1}; it has ${device.loops}.`;
    }
    case 'ampLoop': {
      const destination = rig.electrical.destinations.find(({ id }) => id === at.destination);
      if (!destination)
        return `An effects loop begins at “${at.destination}”, which is not in the rig.`;
      return destination.kind === 'amp'
        ? null
        : `${destination.name} has no effects loop; only an amp has one.`;
    }
  }
}

function guitarProblem(rig: Wired, guitarId: string, selectorId: string): string | null {
  const guitar = rig.electrical.guitars.find(({ id }) => id === guitarId);
  if (!guitar) return `A cable begins at guitar “${guitarId}”, which is not in the rig.`;
  if (guitar === rig.electrical.guitars[0])
    return `${guitar.name} plays into the main row already; it has one output.`;
  const selector = findDevice(rig, selectorId);
  if (!selector)
    return `The cable of ${guitar.name} ends nowhere: “${selectorId}” is not in the rig.`;
  if (selector.deviceClass !== 'selector') {
    return `Two drivers on one wire: ${guitar.name} arrives at ${selector.name}, whose input has a cable already. An A/B selector there lets one of them through.`;
  }
  return mainRow(rig).devices.includes(selector)
    ? null
    : `${selector.name} has to stand in the main row for ${guitar.name} to arrive there.`;
}

function sideProblem(
  rig: Wired,
  deviceId: string,
  to: Extract<Row['at'], { kind: 'side' }>['to'],
): string | null {
  const device = findDevice(rig, deviceId);
  if (!device) return `A side cable begins at “${deviceId}”, which is not in the rig.`;
  if (device.sideJack === 'none') return `${device.name} has no side jack for a cable to begin at.`;
  if (to.kind === 'destination') {
    const destination = rig.electrical.destinations.findIndex(({ id }) => id === to.destination);
    if (destination < 0)
      return `The side cable of ${device.name} ends nowhere: “${to.destination}” is not in the rig.`;
    return destination > 0
      ? null
      : `Two drivers on one wire: the side cable of ${device.name} arrives at ${rig.electrical.destinations[0]!.name}, where the main row ends.`;
  }
  const key = findDevice(rig, to.device);
  if (!key)
    return `The side cable of ${device.name} ends nowhere: “${to.device}” is not in the rig.`;
  return key.insert === 'own' ? null : `${key.name} has no key input.`;
}

/** One cable in each jack. */
function* checkJacks(rig: Wired): Generator<RigProblem> {
  const taken = new Map<string, number>();
  for (const [i, { at }] of rig.electrical.rows.entries()) {
    for (const jack of jacksOf(at)) {
      const other = taken.get(jack.key);
      if (other !== undefined) {
        const message = `${jack.isInput ? 'Two drivers on one wire' : 'Two cables in one jack'}: rows ${other + 1} and ${i + 1} both ${jack.isInput ? 'end' : 'begin'} at ${nameJack(rig, jack.id)}.`;
        yield { path: `electrical.rows[${i}]`, message };
      }
      taken.set(jack.key, i);
    }
  }
}

function jacksOf(at: Row['at']): readonly { key: string; id: string; isInput: boolean }[] {
  switch (at.kind) {
    case 'main':
      return [];
    case 'guitar':
      return [{ key: `out ${at.guitar}`, id: at.guitar, isInput: false }];
    case 'side': {
      const id = at.to.kind === 'destination' ? at.to.destination : at.to.device;
      return [
        { key: `side ${at.device}`, id: at.device, isInput: false },
        { key: `in ${id}`, id, isInput: true },
      ];
    }
    case 'loop':
      return [{ key: `loop ${at.device}.${at.loop}`, id: at.device, isInput: false }];
    case 'ampLoop':
      return [{ key: `send ${at.destination}`, id: at.destination, isInput: false }];
  }
}

function nameJack(rig: Wired, id: string): string {
  const part =
    findDevice(rig, id) ??
    [...rig.electrical.guitars, ...rig.electrical.destinations].find((p) => p.id === id);
  return part?.name ?? id;
}

function* checkDestinations(rig: Wired): Generator<RigProblem> {
  const reached = new Set(
    rig.electrical.rows.flatMap(({ at }) =>
      at.kind === 'side' && at.to.kind === 'destination' ? [at.to.destination] : [],
    ),
  );
  for (const [i, { id, name }] of rig.electrical.destinations.entries()) {
    if (i > 0 && !reached.has(id))
      yield { path: `electrical.destinations[${i}]`, message: `No cable arrives at ${name}.` };
  }
}

/** A row that hangs on one of its own devices, at once or by others in between, is a circle. */
function* checkCircles(rig: Wired): Generator<RigProblem> {
  for (const [i, row] of rig.electrical.rows.entries()) {
    const seen = new Set<Row>();
    let at: Row | undefined = row;
    while (at && (at.at.kind === 'loop' || at.at.kind === 'side') && !seen.has(at)) {
      seen.add(at);
      at = rowOf(rig, at.at.device);
    }
    if (at && seen.has(at)) {
      const name = nameJack(rig, 'device' in row.at ? row.at.device : row.id);
      const message = `A circle: what begins at ${name} runs through ${name} again.`;
      yield { path: `electrical.rows[${i}]`, message };
      return;
    }
  }
}
