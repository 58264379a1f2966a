import {
  addBoard,
  addFixture,
  addLanes,
  FIXTURE_CLASSES,
  fixtureOfClass,
  formatQuantity,
  gearOf,
  laneUses,
  mixingOf,
  removeBoard,
  spaceSlats,
  type Board,
  type BoardPlan,
  type Edit,
  type FixtureClass,
  type LaneUse,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Button, NativeSelect, Typography } from '@mui/material';
import { useMemo } from 'react';
import { useGearItems } from '../../../app/useGearItems';
import { Disclosure } from '../../../ui/Disclosure';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import { PartFields, type FieldsOf } from '../../../ui/parts/PartFields';
import { BoardLines } from '../../../ui/parts/PlaceLines';
import type { PanelProps } from './ThingPanel';

/** The boards themselves, their lanes, and how this rig is laid. */
export function BoardPanel(props: PanelProps) {
  const { rig } = props;
  return (
    <>
      {rig.layout.boards.map((board) => (
        <OneBoard key={board.id} {...props} board={board} />
      ))}
      <Adding {...props} />
      <Lanes {...props} />
      <LayingFields {...props} />
    </>
  );
}

const BOARD_FIELDS: FieldsOf<'board'> = [
  ['widthM', 'Width'],
  ['depthM', 'Depth'],
  ['belowM', 'Free below'],
  ['thicknessM', 'Thickness'],
  ['riseM', 'Rise to the back'],
  ['lipM', 'Lip at the front'],
];

const SURFACES = [
  ['rows', 'rows with gaps'],
  ['plate', 'a plate'],
  ['mesh', 'mesh'],
] as const;

function OneBoard({ rig, units, actions, board }: PanelProps & { readonly board: Board }) {
  const at = rig.layout.boards.indexOf(board);
  const change = (to: Partial<Board>) =>
    actions.edit({ kind: 'list', of: 'boards', at, remove: 1, insert: [{ ...board, ...to }] });
  const part = useMemo(
    () => ({
      edit: (edit: Edit) => {
        const isDepth = edit.kind === 'set' && edit.field === 'depthM';
        if (isDepth && board.placesFrom === 'assumed')
          actions.edit({
            kind: 'list',
            of: 'boards',
            at,
            remove: 1,
            insert: [{ ...board, depthM: edit.to, slats: spaceSlats(edit.to.value) }],
          });
        else actions.edit(edit);
      },
    }),
    [actions, board, at],
  );
  return (
    <Box component="section" aria-label={board.name}>
      <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600, lineHeight: 1.2 }}>
        {board.name}
      </Typography>
      <PartFields
        part={board}
        of="board"
        id={board.id}
        fields={BOARD_FIELDS}
        units={units}
        assumedFrom="a board of the usual size"
        actions={part}
      />
      <ChoiceField
        label="Surface"
        value={board.surface}
        options={SURFACES}
        onChange={(surface) => change({ surface })}
      />
      <BoardLines board={board} units={units} onChange={change} />
      <Button size="small" onClick={() => actions.edit(removeBoard(rig, board.id))}>
        Without this board
      </Button>
    </Box>
  );
}

/** Another board, or something on it that no signal runs through. */
function Adding({ rig, actions }: PanelProps) {
  const gear = useGearItems() ?? [];
  const boards = gear.filter(({ kind, retired }) => kind === 'board' && !retired);
  const fixtures = gear.filter(({ kind, retired }) => kind === 'fixture' && !retired);
  const add = (value: string) => {
    const item = gear.find(({ id }) => id === value);
    if (item?.kind === 'board') actions.edit(addBoard(rig, item.thing));
    else if (item?.kind === 'fixture') actions.edit(addFixture(rig, item.thing));
    else if (value === 'board')
      actions.edit(addBoard(rig, gearOf('board').blank('board') as Board));
    else actions.edit(addFixture(rig, fixtureOfClass(value as FixtureClass, 'x1')));
  };
  return (
    <NativeSelect
      value=""
      inputProps={{ 'aria-label': 'Add to the board' }}
      onChange={(event) => event.target.value !== '' && add(event.target.value)}
      sx={{ mt: 1, width: '100%', fontSize: 14 }}
    >
      <option value="">add a board, a supply, a switch …</option>
      {[...boards, ...fixtures].map(({ id, thing }) => (
        <option key={id} value={id}>
          {thing.name}
        </option>
      ))}
      {boards.length === 0 && <option value="board">another board</option>}
      {Object.entries(FIXTURE_CLASSES).map(([of, { label }]) => (
        <option key={of} value={of}>{`${label}, usual size`}</option>
      ))}
    </NativeSelect>
  );
}

function Lanes({ rig, plan, units, actions }: PanelProps) {
  const gear = useGearItems();
  const mounts = useMemo(
    () =>
      (gear ?? []).flatMap((item) => (item.kind === 'mount' && !item.retired ? [item.thing] : [])),
    [gear],
  );
  const uses = useMemo(
    () =>
      laneUses(
        rig,
        plan.decks,
        plan.standings,
        plan.plugs,
        plan.wires,
        mounts.length > 0 ? mounts : undefined,
      ),
    [rig, plan, mounts],
  );
  const more = addLanes(rig);
  return (
    <PanelGroup title="Lanes">
      {uses.map((use) => (
        <LaneLine key={use.lane.id} {...{ rig, use, units, actions }} />
      ))}
      {more && (
        <Button size="small" onClick={() => actions.edit(more)}>
          A lane behind each row
        </Button>
      )}
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {sayMixing(plan, units)}
      </Typography>
    </PanelGroup>
  );
}

/** What lies along with DC and mains: told, not judged. */
function sayMixing(plan: BoardPlan, units: UnitSystem): string {
  const { crossings, notSquare, parallelM } = mixingOf(plan.wires);
  if (crossings === 0 && parallelM === 0) return 'No audio crosses DC or mains.';
  const beside = `${formatQuantity(parallelM, 'length', units)} of audio lie beside DC or mains`;
  if (crossings === 0) return `${beside}; nothing crosses.`;
  const square = notSquare === 0 ? 'all square' : `${notSquare} not square`;
  return `${beside}; they cross ${crossings === 1 ? 'once' : `${crossings} times`}, ${square}.`;
}

interface LaneProps extends Pick<PanelProps, 'rig' | 'units' | 'actions'> {
  readonly use: LaneUse;
}

function LaneLine({ rig, use, units, actions }: LaneProps) {
  const { lane, cables, bundleM, freeM, ties } = use;
  const size = (m: number) => formatQuantity(Math.round(m * 1000) / 1000, 'size', units);
  const at = rig.layout.lanes.indexOf(lane);
  const replace = (insert: Rig['layout']['lanes']) =>
    actions.edit({ kind: 'list', of: 'lanes', at, remove: 1, insert });
  const { choice } = use;
  const isChosen = choice.kind === 'one' && lane.mount?.name === choice.mount.name;
  return (
    <Box sx={{ mb: 0.75 }}>
      <Typography variant="body2">
        <b>{lane.name}</b>
        {`, ${size(lane.yM)} from the front: ${cables.length === 1 ? '1 cable' : `${cables.length} cables`}, a bundle of ${size(bundleM)}, ${size(freeM)} free${ties > 0 ? `, ${ties} mounts` : ''}`}
      </Typography>
      <Typography variant="body2" sx={{ color: use.isTooThick ? 'error.main' : 'text.secondary' }}>
        {sayChoice(use)}
      </Typography>
      {choice.kind === 'one' && !isChosen && (
        <Button size="small" onClick={() => replace([{ ...lane, mount: withoutId(choice.mount) }])}>
          {`Take ${choice.mount.name}`}
        </Button>
      )}
      <Button size="small" onClick={() => replace([])}>
        Without it
      </Button>
    </Box>
  );
}

const withoutId = ({ name, footM, holdsM }: NonNullable<LaneUse['lane']['mount']>) => ({
  name,
  footM,
  holdsM,
});

function sayChoice({ choice, lane, isTooThick }: LaneUse): string {
  if (isTooThick) return `${lane.mount!.name} does not hold it, or has no room`;
  switch (choice.kind) {
    case 'none':
      return 'no room for a mount: tie cable to cable';
    case 'one':
      return lane.mount ? `on ${lane.mount.name}` : `${choice.mount.name} fits and holds it`;
    case 'two':
      return `two rows of ${choice.mount.name}: audio, and the rest`;
    case 'tooThick':
      return 'no mount holds so thick a bundle: part it';
  }
}

const ROOM_FIELDS: FieldsOf<'laying'> = [['gapM'], ['shoeM'], ['freeM'], ['carefulM']];
const CABLE_FIELDS: FieldsOf<'laying'> = [
  ['slackM'],
  ['stepM'],
  ['clearanceM'],
  ['bendM'],
  ['passageM'],
  ['laneShare'],
  ['pitchM'],
];

/** Every limit, seen and changed where it is. */
function LayingFields({ rig, units, actions }: PanelProps) {
  const { laying } = rig.layout;
  const shared = {
    part: laying,
    of: 'laying',
    units,
    actions,
    assumedFrom: 'what is usual',
  } as const;
  const choose = (field: string) => (to: string) =>
    actions.edit({
      kind: 'choose',
      target: { of: 'laying' },
      field,
      to: to === 'true' ? true : to === 'false' ? false : to,
    });
  return (
    <>
      <PanelGroup title="How cables are laid">
        <ChoiceField
          label="Manner"
          value={laying.manner}
          options={[
            ['tidy', 'tidy: square, along lanes'],
            ['direct', 'direct: the shortest way'],
          ]}
          onChange={choose('manner')}
        />
        <ChoiceField
          label="Plugs, where not said"
          value={laying.usualPlug}
          options={[
            ['pancake', 'pancake'],
            ['angled', 'angled'],
            ['straight', 'straight'],
          ]}
          onChange={choose('usualPlug')}
        />
        <ChoiceField
          label="This rig changes"
          value={String(laying.changesOften)}
          options={[
            ['false', 'hardly ever'],
            ['true', 'often: every other mount'],
          ]}
          onChange={choose('changesOften')}
        />
      </PanelGroup>
      <Disclosure title="Limits">
        <PartFields {...shared} fields={ROOM_FIELDS} />
        <ChoiceField
          label="Over the edge"
          value={String(laying.allowsOverhang)}
          options={[
            ['false', 'nothing'],
            ['true', 'allowed'],
          ]}
          onChange={choose('allowsOverhang')}
        />
        <PartFields {...shared} fields={CABLE_FIELDS} />
      </Disclosure>
    </>
  );
}
