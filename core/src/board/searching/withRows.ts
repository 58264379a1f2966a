import { freshId, type Rig } from '../../rig';
import { roomOn } from '../board';
import { lanesBehindRows } from '../lanes';

/// Lanes go with the rows that things stand in.

/** A rig with its things put elsewhere, and lanes behind the rows that they make now. */
export function withRows(rig: Rig, placements: Rig['layout']['placements']): Rig {
  const stood: Rig = { ...rig, layout: { ...rig.layout, placements } };
  const { decks, standings, plugs } = roomOn(stood);
  const { lanes } = rig.layout;
  const made = decks.flatMap((deck) => {
    const old = lanes.filter(({ board, layer }) => board === deck.board.id && layer === 'top');
    return lanesBehindRows(deck, standings, plugs).map((lane, i) => ({
      ...lane,
      name: old[i]?.name ?? lane.name,
      mount: old[i]?.mount ?? null,
      id: old[i]?.id ?? '',
    }));
  });
  let fresh = 0;
  const kept = lanes.filter(({ layer }) => layer !== 'top');
  const named = made.map((lane) =>
    lane.id === '' ? { ...lane, id: freshId(rig, 'n', fresh++) } : lane,
  );
  return { ...stood, layout: { ...stood.layout, lanes: [...kept, ...named] } };
}
