import type { AskingPanelProps, PanelProps } from '../panelProps';
import {
  BESIDE_PLACES,
  findDevice,
  PLACEMENT_RULES,
  removeFixture,
  removeSupply,
  type BesidePlace,
  type Edit,
  type Rig,
} from '@gullwind/core';
import { Box, Button, Checkbox, FormControlLabel, Typography } from '@mui/material';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { pinToggled } from '../model/asked';
import { standingOf } from '../model/boardEdits';
import { CaseGroup } from './CaseGroup';
import { ControlLines } from './ControlLines';
import { FootLines } from './FootLines';
import { PlugLines } from './PlugLines';
import { SizeField } from './SizeField';
import { StandingFields } from './StandingFields';

interface Props extends AskingPanelProps {
  readonly id: string;
  readonly onCable: (cable: string) => void;
}

/** One thing: where it stands, its plugs, how a foot gets to it, its case. */
export function ThingPanel({ id, onCable, ...panel }: Props) {
  const { plan, rig, units } = panel;
  const thing = plan.things.find((one) => one.id === id);
  if (!thing) return null;
  const [standing] = standingOf(plan, [id]);
  const beside = rig.layout.placements[id];
  return (
    <>
      <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600, lineHeight: 1.2 }}>
        {thing.name}
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {sayKind(rig, id, thing.isAssumed)}
      </Typography>
      <Ask {...panel} id={id} isStanding={standing !== undefined} />
      {standing && <StandingFields {...panel} standing={standing} />}
      {beside?.at === 'beside' && (
        <SizeField
          label="Cable to it, each way"
          rule={PLACEMENT_RULES.lengthM}
          value={beside.lengthM}
          units={units}
          onChange={(lengthM) => panel.actions.edit(standBeside(rig, id, beside.where, lengthM))}
        />
      )}
      {standing && (
        <>
          <PlugLines {...panel} thing={id} onCable={onCable} />
          <ControlLines {...panel} id={id} />
          <FootLines {...panel} thing={id} />
        </>
      )}
      <CaseGroup {...panel} id={id} />
      <Leave {...panel} id={id} isStanding={standing !== undefined} />
    </>
  );
}

/** Whether it stays where it is when others are arranged, and where else it fits. */
function Ask({ asking, id, isStanding }: AskingPanelProps & { id: string; isStanding: boolean }) {
  const { wishes, onWish, onAsk } = asking;
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', my: 0.5 }}>
      <Button size="small" variant="outlined" onClick={() => onAsk({ kind: 'fit', id })}>
        Where does it fit?
      </Button>
      {isStanding && (
        <FormControlLabel
          control={
            <Checkbox
              size="small"
              checked={wishes.pinned.includes(id)}
              onChange={() => onWish(pinToggled(wishes, id))}
            />
          }
          label="pinned"
          slotProps={{ typography: { variant: 'body2' } }}
        />
      )}
    </Box>
  );
}

function sayKind(rig: Rig, id: string, isAssumed: boolean): string {
  const device = findDevice(rig, id);
  const use = rig.texts.brief.uses[id];
  const words = [
    use === 'leftOn' ? 'left on' : use === 'switched' ? 'switched mid-song' : '',
    isAssumed ? 'size assumed from its class' : '',
  ].filter(Boolean);
  return [device ? 'in the chain' : 'no signal runs through it', ...words].join(' · ');
}

/** Beside the boards: the cables to it and back are as long as said, from now on. */
function standBeside(rig: Rig, id: string, where: BesidePlace, lengthM: number): Edit {
  const off: Edit = { kind: 'place', id, to: { at: 'beside', where, lengthM } };
  const cables = rig.electrical.rows.flatMap(({ devices, cables: all }) =>
    devices.flatMap((device, i) => (device.id === id ? [all[i], all[i + 1]] : [])),
  );
  const main = rig.electrical.rows[0]!.cables;
  const lengths = cables.flatMap((cable): Edit[] =>
    cable && cable !== main[0] && cable !== main.at(-1)
      ? [
          {
            kind: 'set',
            target: { of: 'cable', id: cable.id },
            field: 'lengthM',
            to: { value: lengthM, from: 'entered' },
          },
        ]
      : [],
  );
  return { kind: 'group', edits: [off, ...lengths] };
}

const BESIDE_WORDS: Readonly<Record<BesidePlace, string>> = {
  floor: 'on the floor',
  rack: 'in a rack',
  amp: 'on the amp',
};

/** Off the board: back into the cargo, beside the boards, or out of the rig. */
function Leave({ rig, actions, id, isStanding }: PanelProps & { id: string; isStanding: boolean }) {
  const isFixture = rig.layout.fixtures.some((one) => one.id === id);
  const isSupply = rig.power.supplies.some((one) => one.id === id);
  const placement = rig.layout.placements[id];
  const lengthM = placement?.at === 'beside' ? placement.lengthM : 4;
  const options = [
    ['deck', 'on a board'] as const,
    ...BESIDE_PLACES.map((where) => [where, BESIDE_WORDS[where]] as const),
  ];
  return (
    <Box sx={{ mt: 1 }}>
      {!isFixture && !isSupply && placement && placement.at !== 'stage' && (
        <ChoiceField
          label="Where"
          value={placement.at === 'beside' ? placement.where : 'deck'}
          options={isStanding ? options : options.slice(1)}
          onChange={(where) =>
            where !== 'deck' && actions.edit(standBeside(rig, id, where, lengthM))
          }
        />
      )}
      {placement && (
        <Button size="small" onClick={() => actions.takeOff([id])}>
          Back into the cargo
        </Button>
      )}
      {(isFixture || isSupply) && (
        <Button
          size="small"
          onClick={() => actions.edit(isSupply ? removeSupply(rig, id) : removeFixture(rig, id))}
        >
          Out of the rig
        </Button>
      )}
    </Box>
  );
}
