import {
  type Drawing,
  applyEdits,
  addBoard,
  drawBoard,
  newRig,
  typicalBoard,
} from '@gullwind/core';
import { boardDxf } from '../src/features/board/out/boardDxf';

/// The DXF read back line by line: group codes and values in pairs.

type Entity = Readonly<Record<string, string>> & { readonly kind: string };

function entitiesIn(text: string): readonly Entity[] {
  const lines = text.split('\n').map((line) => line.trim());
  const pairs = Array.from(
    { length: Math.floor(lines.length / 2) },
    (_, i) => [lines[2 * i]!, lines[2 * i + 1]!] as const,
  );
  const start = pairs.findIndex(([code, value]) => code === '2' && value === 'ENTITIES');
  const found: Record<string, string>[] = [];
  for (const [code, value] of pairs.slice(start + 1)) {
    if (code === '0' && value === 'ENDSEC') break;
    if (code === '0') found.push({ kind: value });
    else
      found.at(-1)![code] =
        `${found.at(-1)![code] ?? ''}${found.at(-1)![code] === undefined ? '' : ' '}${value}`;
  }
  return found as unknown as readonly Entity[];
}

test('a name with line ends in it stays one value, and brings nothing into the drawing', () => {
  const text = 'Pit\r\n0\nCIRCLE\n8\nopenings\u2028x\u0000';
  const drawing = {
    ...{ width: 10, height: 10, unit: 'mm' },
    shapes: [{ kind: 'text', x: 1, y: 2, size: 3, text }],
  };
  const entities = entitiesIn(boardDxf(drawing as unknown as Drawing));
  expect(entities.map(({ kind }) => kind)).toEqual(['TEXT']);
  expect(entities[0]!['1']).toBe('Pit 0 CIRCLE 8 openings x');
});

test('outline and openings in millimetres, the front below, what is cut on a layer of its own', () => {
  const rig = newRig('Plate');
  const board = {
    ...typicalBoard('Plate'),
    surface: 'plate' as const,
    openings: [{ shape: 'round' as const, xM: 0.1, yM: 0.05, widthM: 0.02, depthM: 0.02 }],
  };
  const drawn = drawBoard(applyEdits(rig, addBoard(rig, board)), 'Plate', 'drilling', 'metric');
  const text = boardDxf(drawn);
  expect(text).toMatch(/\$INSUNITS\s+70\s+4\s/u);
  const entities = entitiesIn(text);
  const circle = entities.find(({ kind }) => kind === 'CIRCLE')!;
  expect(circle['8']).toBe('openings');
  const outline = entities.find((one) => one['8'] === 'outline')!;
  const [xs, ys] = [outline['10']!, outline['20']!].map((all) => all.split(' ').map(Number));
  expect(Math.max(...xs!) - Math.min(...xs!)).toBeCloseTo(600, 6);
  expect(Math.max(...ys!) - Math.min(...ys!)).toBeCloseTo(320, 6);
  expect(Number(circle['10']) - Math.min(...xs!)).toBeCloseTo(100, 6);
  expect(Number(circle['20']) - Math.min(...ys!)).toBeCloseTo(50, 6);
  expect(Number(circle['40'])).toBeCloseTo(10, 6);
});
