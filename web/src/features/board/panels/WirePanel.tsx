import {
  FIELD_RULES,
  findCable,
  followAgain,
  formatQuantity,
  lanesAt,
  sayWire,
  setCableLength,
  tiesToCut,
  unhang,
  type Edit,
  type Rig,
  type Wire,
} from '@gullwind/core';
import { Button, Typography } from '@mui/material';
import { Link } from 'react-router';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import { SizeField } from './SizeField';
import type { PanelProps } from '../panelProps';

interface Props extends PanelProps {
  readonly cable: string;
  readonly rigId: string;
}

/** One cable: how long it is and why, what it passes, what has to be cut to take it out. */
export function WirePanel({ rig, plan, units, actions, cable, rigId }: Props) {
  const wire = plan.wires.find(({ connection }) => connection.id === cable);
  if (!wire) return null;
  const { connection } = wire;
  const isAudio = findCable(rig, cable) !== undefined;
  return (
    <>
      <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600, lineHeight: 1.2 }}>
        {sayWire(plan, cable)}
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {`${connection.name} · ${sayFollows(wire)}`}
      </Typography>
      <LengthGroup {...{ rig, plan, units, actions, wire }} />
      {!isAudio && (
        <Button size="small" sx={{ mt: 1 }} onClick={() => actions.edit(withoutCable(rig, cable))}>
          Without this cable
        </Button>
      )}
      {connection.carries === 'dc' && (
        <Button size="small" component={Link} to={`/rigs/${rigId}/power`} sx={{ mt: 1 }}>
          Its outlet: Power
        </Button>
      )}
      {isAudio && (
        <Button size="small" component={Link} to={`/rigs/${rigId}/path?at=${cable}`} sx={{ mt: 1 }}>
          Its kind and capacitance: Path
        </Button>
      )}
    </>
  );
}

/** Its length, typed to fix it, or left to the board. */
function LengthGroup({ rig, plan, units, actions, wire }: PanelProps & { readonly wire: Wire }) {
  const { connection, madeM } = wire;
  const again = connection.isLaid ? null : followAgain(rig, plan, connection.id);
  return (
    <PanelGroup title="Length">
      {connection.cable && (
        <SizeField
          label={connection.isLaid ? 'As laid (type to fix it)' : 'Fixed at'}
          rule={{ ...FIELD_RULES.cable.lengthM, quantity: 'size' }}
          value={connection.lengthM}
          units={units}
          onChange={(lengthM) => actions.edit(setCableLength(connection.id, lengthM))}
        />
      )}
      {again && madeM !== null && (
        <Button size="small" onClick={() => actions.edit(again)}>
          {`Follow the board: ${formatQuantity(madeM, 'size', units)}`}
        </Button>
      )}
      <Made {...{ rig, plan, units, wire }} />
    </PanelGroup>
  );
}

/** What a DC cable fed is fed by nothing then. */
function withoutCable(rig: Rig, id: string): Edit {
  const feed = rig.power.feeds.find((one) => one.id === id);
  if (feed) return unhang(rig, feed.consumer)!;
  const at = rig.layout.controls.findIndex((one) => one.id === id);
  return { kind: 'list', of: 'controls', at, remove: 1, insert: [] };
}

const sayFollows = ({ connection, isOnBoards }: Wire): string => {
  if (!isOnBoards) return 'leaves the board: as long as was said';
  return connection.isLaid ? 'as long as the board says' : 'fixed by hand';
};

/** What its length is made of. */
function Made({ rig, plan, units, wire }: Omit<PanelProps, 'actions'> & { readonly wire: Wire }) {
  const { route, from, to } = wire;
  if (!route || !from || !to) return null;
  const { laying } = rig.layout;
  const size = (m: number) => formatQuantity(Math.round(m * 1000) / 1000, 'size', units);
  const ties = tiesToCut(wire, lanesAt(rig, plan.decks), laying);
  const lines = [
    `way ${size(route.length / 1000)}, plugs ${size(from.entryM + to.entryM)}, slack ${size(2 * laying.slackM.value)}`,
    `${route.bends} bends, ${route.passages} passages through the board`,
    ties === 0 ? 'no tie holds it' : `${ties} ${ties === 1 ? 'tie' : 'ties'} to cut to take it out`,
  ];
  return lines.map((line) => (
    <Typography key={line} variant="body2">
      {line}
    </Typography>
  ));
}
