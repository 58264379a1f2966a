import { chooseCableForm } from '../circuit';
import {
  isSilent,
  nameConnection,
  nameSpot,
  nameRow,
  nameSwitch,
  sayMuted,
  switchesOf,
} from '../figures';
import { driveWay, type DrivenPath, type Interruption } from '../path';
import { mainRow, type Rig } from '../rig';
import { NetlistBuilder, slug } from './netlistBuilder';

export type Netlist =
  | {
      readonly kind: 'ok';
      readonly text: string;
      /** The node at which the way ends; its voltage is the response. */
      readonly out: string;
    }
  | { readonly kind: 'refused'; readonly message: string };

/**
 * The circuit of a rig as its switches stand, on the way to one end, as a plain netlist of R, L, C, V and E
 * elements that circuit simulators read. Nodes are named after what stands there; the guitar's voltage is
 * 1 V, so that the level at the last node is the response.
 *
 * @param rowId of the row that arrives; the main one unless named
 */
export function writeNetlist(rig: Rig, rowId = mainRow(rig).id): Netlist {
  const { route, path } = driveWay(rig, rowId);
  if (isSilent(route))
    return { kind: 'refused', message: 'The guitar gives nothing: there is no circuit to write.' };
  if (path.interrupted)
    return { kind: 'refused', message: sayInterrupted(rig, path, path.interrupted) };
  const builder = new NetlistBuilder();
  const row = rig.electrical.rows.find(({ id }) => id === rowId)!;
  const on = switchesOf(rig).filter((id) => rig.state.positions[id]);
  builder.comment(`Gullwind: ${rig.texts.name}, ${nameRow(rig, row)}`);
  builder.comment(`on: ${on.map((id) => nameSwitch(rig, id)).join(', ') || 'nothing'}`);
  const out = writeSections(builder, rig, path);
  const ac = ['.ac dec 96 20 20000', `.print ac vdb(${out}) vp(${out})`, '.end', ''];
  return { kind: 'ok', text: [...builder.lines, ...ac].join('\n'), out };
}

function sayInterrupted(rig: Rig, { stops }: DrivenPath, interruption: Interruption): string {
  const where = nameSpot(rig, stops[interruption.stop]!.spot);
  const why =
    interruption.kind === 'gap'
      ? `Something is missing at ${where}.`
      : sayMuted(where, interruption.why);
  return `${why} There is no circuit to the end.`;
}

/** @returns the node at which the last section ends */
function writeSections(builder: NetlistBuilder, rig: Rig, { stops, sections }: DrivenPath): string {
  const name = (stop: number) => slug(shortName(rig, stops[stop]!.spot));
  let heard: string | null = null;
  for (const { driver, endsAt, connections, circuit } of sections) {
    builder.comment(`${nameSpot(rig, stops[driver]!.spot)} drives`);
    const form = chooseCableForm(circuit);
    let at = builder.source(name(driver), circuit.source, heard);
    for (const connection of connections)
      at = builder.path(name(connection), stops[connection]!.elements, at, form);
    builder.load(`${name(endsAt)}_in`, circuit.load, at);
    heard = at;
  }
  return heard!;
}

/** "in_to_wah", "tap": a cable by where it goes, anything else by its name. */
function shortName(rig: Rig, spot: Parameters<typeof nameSpot>[1]): string {
  if (spot.kind !== 'cable') return nameSpot(rig, spot);
  const row = rig.electrical.rows.find(({ cables }) =>
    cables.some((cable) => cable?.id === spot.id),
  );
  const connection = row?.cables.findIndex((cable) => cable?.id === spot.id) ?? -1;
  return row ? nameConnection(rig, row, connection).replace(/^the /u, '') : nameSpot(rig, spot);
}
