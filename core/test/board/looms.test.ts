import { layBoard, loomsAt, sayLoom } from '../../src/board';
import { workPlan } from '../../src/build';
import { applyEdits, mainRow, setCableLength, type Rig } from '../../src/rig';
import { onBoard, place, rigOfClasses } from './randomBoard';

/// Cables to the amp tied as one.

function loomed(): Rig {
  const rig = onBoard(rigOfClasses(['drive', 'delay']), 'mesh', [0.5, 0.3]);
  const laid = applyEdits(rig, place('d1', 320, 40), place('d2', 60, 40));
  const [first, , last] = mainRow(laid).cables.map((cable) => cable!.id);
  const long = applyEdits(laid, setCableLength(first!, 17), setCableLength(last!, 18));
  const loom = { id: 'm1', name: 'loom 1', cables: [first!, last!] };
  return applyEdits(long, { kind: 'list', of: 'looms', at: 0, remove: 0, insert: [loom] });
}

test('every cable of a loom is its breakouts and what all go together; the shortest has 30 cm at the far end', () => {
  const rig = loomed();
  const plan = layBoard(rig);
  const [at] = loomsAt(rig, plan);
  expect(at!.breakouts).toHaveLength(2);
  for (const { cable, boardM, farM } of at!.breakouts) {
    const { lengthM } = plan.wires.find(({ connection }) => connection.id === cable)!.connection;
    expect(boardM + at!.trunkM + farM).toBeCloseTo(lengthM, 9);
    expect(Math.min(boardM, farM)).toBeGreaterThan(0);
  }
  expect(Math.min(...at!.breakouts.map(({ farM }) => farM))).toBeCloseTo(0.3, 9);
  // Two cables of 5 mm side by side.
  expect(at!.diameterM).toBeCloseTo(0.01, 9);
  const [deck] = plan.decks;
  const isOnEdge = [
    at!.at.x - deck!.rect.x0,
    at!.at.x - deck!.rect.x1,
    at!.at.y - deck!.rect.y1,
  ].some((off) => Math.abs(off) < 1e-9);
  expect(isOnEdge).toBe(true);
  expect(sayLoom(at!, 'metric')).toMatch(/^loom 1: 2 cables, 16\.\d+\sm together$/u);
});

test('it is one thing to tie; untied it is none', () => {
  const rig = loomed();
  const ties = workPlan(rig).filter(({ id }) => id === 'tie m1');
  expect(ties).toHaveLength(1);
  expect(ties[0]!.says).toMatch(/^Tie loom 1: 2 cables/u);
  const untied = applyEdits(rig, { kind: 'list', of: 'looms', at: 0, remove: 1, insert: [] });
  expect(workPlan(untied).some(({ id }) => id === 'tie m1')).toBe(false);
  expect(loomsAt(untied, layBoard(untied))).toEqual([]);
});
