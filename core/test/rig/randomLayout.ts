import { entered, mountOfSize, fixtureOfClass, supplyOfClass, typicalBoard } from '../../src/gear';
import { freshId, type Edit, type Rig } from '../../src/rig';

/// Random edits of what a rig is laid out on.

export function layoutPartOf(rig: Rig, at: number, amount: number): Edit {
  const insert = (of: 'lanes' | 'controls' | 'looms', thing: object) =>
    ({ kind: 'list', of, at: 0, remove: 0, insert: [thing] }) as unknown as Edit;
  const name = amount < 0 ? '' : `part ${at}`;
  const jack = { thing: 'd1', nth: at % 41 };
  switch (at % 4) {
    case 0: {
      const { id: _, ...mount } = mountOfSize('small');
      const lane = { id: freshId(rig, 'n'), name, board: 'b1', layer: 'top', mount } as const;
      return insert('lanes', { ...lane, yM: amount * 5, fromM: 0, toM: 0.5 });
    }
    case 1: {
      const control = {
        id: freshId(rig, 'k'),
        name,
        carries: 'midi',
        from: jack,
        to: jack,
      } as const;
      return insert('controls', { ...control, lengthM: entered(amount) });
    }
    case 2:
      return insert('looms', { id: freshId(rig, 'm'), name, cables: ['l1'] });
    default:
      return { kind: 'assign', field: 'neverMissed', to: [`d${at}`] };
  }
}

export function fittingOf(rig: Rig, at: number): Edit {
  const insert = (of: 'boards' | 'fixtures' | 'supplies', thing: object) =>
    ({ kind: 'list', of, at: 0, remove: 0, insert: [thing] }) as unknown as Edit;
  switch (at % 4) {
    case 0:
      return insert('boards', { ...typicalBoard('board'), id: freshId(rig, 'b') });
    case 1:
      return insert('supplies', { ...supplyOfClass('brick'), id: freshId(rig, 'u') });
    case 2: {
      return insert('fixtures', fixtureOfClass('tin', freshId(rig, 'f')));
    }
    default:
      return rig.layout.boards.length > 0
        ? { kind: 'list', of: 'boards', at: 0, remove: 1, insert: [] }
        : { kind: 'list', of: 'fixtures', at: 0, remove: 1, insert: [] };
  }
}
