import {
  endEdit,
  formatQuantity,
  PLUG_SHAPES,
  plugOfShape,
  sayThing,
  type BoardPlan,
  type CableEnd,
  type CaseSide,
  type PlugAt,
  type PlugShape,
  type Rig,
  type UnitSystem,
  type Wire,
} from '@gullwind/core';
import { Box, NativeSelect, Typography } from '@mui/material';
import { LineButton } from '../../../ui/LineButton';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import type { BoardActions } from '../useBoardActions';

interface Props {
  readonly rig: Rig;
  readonly plan: BoardPlan;
  readonly units: UnitSystem;
  readonly actions: BoardActions;
  readonly thing: string;
  readonly onCable: (cable: string) => void;
}

/** The plugs in the jacks of a thing, and its cables. */
export function PlugLines({ rig, plan, units, actions, thing, onCable }: Props) {
  const plugs = plan.plugs.filter((plug) => plug.thing === thing);
  const wires = plan.wires.filter(({ from, to }) => [from, to].some((one) => one?.thing === thing));
  return (
    <>
      <PanelGroup title="Plugs">
        {plugs.map((plug) => (
          <PlugLine key={plug.cable + plug.end} {...{ rig, plug, actions }} />
        ))}
      </PanelGroup>
      <PanelGroup title="Cables">
        {wires.map((wire) => (
          <LineButton key={wire.connection.id} onClick={() => onCable(wire.connection.id)}>
            {sayOther(plan, wire, thing)}
            <i>{sayLength(wire.connection.lengthM, units)}</i>
          </LineButton>
        ))}
      </PanelGroup>
    </>
  );
}

/** What is laid in mm or inches, what goes far in metres or feet. */
const sayLength = (m: number, units: UnitSystem): string =>
  formatQuantity(m, m < 2 ? 'size' : 'length', units);

function sayOther(plan: BoardPlan, { connection }: Wire, thing: string): string {
  const { from, to, carries, name } = connection;
  const other = from?.thing === thing ? to : from;
  const way = from?.thing === thing ? 'to' : 'from';
  const words = other ? `${way} ${sayThing(plan, other.thing)}` : `${way} beside the board`;
  return carries === 'audio' ? words : `${name}: ${words}`;
}

const JACKS: Readonly<Record<string, string>> = {
  in: 'In',
  out: 'Out',
  side: 'Side',
  send: 'Send',
  return: 'Return',
  power: 'DC',
  midi: 'MIDI',
  control: 'Control',
  expression: 'Expression',
  usb: 'USB',
};

const shapes = Object.keys(PLUG_SHAPES) as PlugShape[];

function PlugLine({ rig, plug, actions }: Pick<Props, 'rig' | 'actions'> & { plug: PlugAt }) {
  const given = rig.layout.ends[plug.cable]?.[plug.end];
  const change = (to: Partial<CableEnd>) => actions.edit(endEdit(rig, plug.cable, [plug.end], to));
  const isAudio = ['in', 'out', 'side', 'send', 'return'].includes(plug.jack.kind);
  const label = `${JACKS[plug.jack.kind]}, ${plug.jack.out}`;
  const shapeTo = (shape: string) => {
    const { id: _, ...made } = plugOfShape(shape as PlugShape, `${shape} plug`);
    change({ plug: shape === '' ? null : made });
  };
  return (
    <Box
      sx={{ display: 'grid', gridTemplateColumns: '62px 1fr 96px', alignItems: 'center', gap: 0.5 }}
    >
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {label}
      </Typography>
      {isAudio ? (
        <NativeSelect
          value={given?.plug?.shape ?? ''}
          inputProps={{ 'aria-label': `Plug: ${label}` }}
          onChange={(event) => shapeTo(event.target.value)}
          sx={{ fontSize: 14 }}
        >
          <option value="">{`usual: ${rig.layout.laying.usualPlug}`}</option>
          {shapes.map((shape) => (
            <option key={shape} value={shape}>
              {PLUG_SHAPES[shape].label}
            </option>
          ))}
        </NativeSelect>
      ) : (
        <Typography variant="body2">straight</Typography>
      )}
      {plug.side && (
        <NativeSelect
          value={given?.leaves ?? ''}
          inputProps={{ 'aria-label': `Cable leaves: ${label}` }}
          onChange={(event) => change({ leaves: (event.target.value || null) as CaseSide | null })}
          sx={{ fontSize: 14 }}
        >
          <option value="">{`to the ${plug.side}`}</option>
          {sidesOf(plug).map((side) => (
            <option key={side} value={side}>{`always ${side}`}</option>
          ))}
        </NativeSelect>
      )}
    </Box>
  );
}

const sidesOf = ({ side }: PlugAt): readonly CaseSide[] =>
  side === 'front' || side === 'back' ? ['front', 'back'] : ['left', 'right'];
