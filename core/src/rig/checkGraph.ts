import type { RigProblem } from './checkRig';
import { findDevice, mainRow, rowOf, type Rig, type Row } from './rig';

/**
 * What must hold between the rows of a rig: one main row; every row from a jack that is there to a jack
 * that is there; one lead in each jack; no row that runs through itself; every end reached.
 */
export function* checkGraph(rig: Rig): Generator<RigProblem> {
  for (const [i, row] of rig.rows.entries()) {
    const path = `rows[${i}]`;
    const message = hopsProblem(row) ?? placeProblem(rig, row, i);
    if (message) yield { path, message };
  }
  yield* checkJacks(rig);
  yield* checkEnds(rig);
  yield* checkCircles(rig);
}

function hopsProblem({ devices, leads }: Row): string | null {
  const needed = devices.length + 1;
  if (leads.length === needed) return null;
  return `Leads: ${leads.length} for ${devices.length} devices; every hop needs one, ${needed} in all.`;
}

function placeProblem(rig: Rig, { at }: Row, index: number): string | null {
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
      const end = rig.ends.find(({ id }) => id === at.end);
      if (!end) return `An effects loop begins at “${at.end}”, which is not in the rig.`;
      return end.kind === 'amp' ? null : `${end.name} has no effects loop; only an amp has one.`;
    }
  }
}

function guitarProblem(rig: Rig, guitarId: string, selectorId: string): string | null {
  const guitar = rig.guitars.find(({ id }) => id === guitarId);
  if (!guitar) return `A lead begins at guitar “${guitarId}”, which is not in the rig.`;
  if (guitar === rig.guitars[0])
    return `${guitar.name} plays into the main row already; it has one output.`;
  const selector = findDevice(rig, selectorId);
  if (!selector)
    return `The lead of ${guitar.name} ends nowhere: “${selectorId}” is not in the rig.`;
  if (selector.deviceClass !== 'selector') {
    return `Two drivers on one wire: ${guitar.name} arrives at ${selector.name}, whose input has a lead already. An A/B selector there lets one of them through.`;
  }
  return mainRow(rig).devices.includes(selector)
    ? null
    : `${selector.name} has to stand in the main row for ${guitar.name} to arrive there.`;
}

function sideProblem(
  rig: Rig,
  deviceId: string,
  to: Extract<Row['at'], { kind: 'side' }>['to'],
): string | null {
  const device = findDevice(rig, deviceId);
  if (!device) return `A side lead begins at “${deviceId}”, which is not in the rig.`;
  if (device.sideJack === 'none') return `${device.name} has no side jack for a lead to begin at.`;
  if (to.kind === 'end') {
    const end = rig.ends.findIndex(({ id }) => id === to.end);
    if (end < 0)
      return `The side lead of ${device.name} ends nowhere: “${to.end}” is not in the rig.`;
    return end > 0
      ? null
      : `Two drivers on one wire: the side lead of ${device.name} arrives at ${rig.ends[0]!.name}, where the main row ends.`;
  }
  const key = findDevice(rig, to.device);
  if (!key)
    return `The side lead of ${device.name} ends nowhere: “${to.device}” is not in the rig.`;
  return key.insert === 'own' ? null : `${key.name} has no key input.`;
}

/** One lead in each jack. */
function* checkJacks(rig: Rig): Generator<RigProblem> {
  const taken = new Map<string, number>();
  for (const [i, { at }] of rig.rows.entries()) {
    for (const jack of jacksOf(at)) {
      const other = taken.get(jack.key);
      if (other !== undefined) {
        const message = `${jack.isInput ? 'Two drivers on one wire' : 'Two leads in one jack'}: rows ${other + 1} and ${i + 1} both ${jack.isInput ? 'end' : 'begin'} at ${nameJack(rig, jack.id)}.`;
        yield { path: `rows[${i}]`, message };
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
      const id = at.to.kind === 'end' ? at.to.end : at.to.device;
      return [
        { key: `side ${at.device}`, id: at.device, isInput: false },
        { key: `in ${id}`, id, isInput: true },
      ];
    }
    case 'loop':
      return [{ key: `loop ${at.device}.${at.loop}`, id: at.device, isInput: false }];
    case 'ampLoop':
      return [{ key: `send ${at.end}`, id: at.end, isInput: false }];
  }
}

function nameJack(rig: Rig, id: string): string {
  const part = findDevice(rig, id) ?? [...rig.guitars, ...rig.ends].find((p) => p.id === id);
  return part?.name ?? id;
}

function* checkEnds(rig: Rig): Generator<RigProblem> {
  const reached = new Set(
    rig.rows.flatMap(({ at }) => (at.kind === 'side' && at.to.kind === 'end' ? [at.to.end] : [])),
  );
  for (const [i, { id, name }] of rig.ends.entries()) {
    if (i > 0 && !reached.has(id))
      yield { path: `ends[${i}]`, message: `No lead arrives at ${name}.` };
  }
}

/** A row that hangs on one of its own devices, at once or by others in between, is a circle. */
function* checkCircles(rig: Rig): Generator<RigProblem> {
  for (const [i, row] of rig.rows.entries()) {
    const seen = new Set<Row>();
    let at: Row | undefined = row;
    while (at && (at.at.kind === 'loop' || at.at.kind === 'side') && !seen.has(at)) {
      seen.add(at);
      at = rowOf(rig, at.at.device);
    }
    if (at && seen.has(at)) {
      const name = nameJack(rig, 'device' in row.at ? row.at.device : row.id);
      const message = `A circle: what begins at ${name} runs through ${name} again.`;
      yield { path: `rows[${i}]`, message };
      return;
    }
  }
}
