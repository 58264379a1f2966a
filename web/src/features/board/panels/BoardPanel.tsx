import {
  addBoard,
  addFixture,
  addSupply,
  FIXTURE_CLASSES,
  supplyOfClass,
  fixtureOfClass,
  gearOf,
  removeBoard,
  spaceSlats,
  type Board,
  type Edit,
  type FixtureClass,
} from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useMemo } from 'react';
import { useGearItems } from '../../../app/useGearItems';
import { ChooseThenAdd } from '../../../ui/ChooseThenAdd';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { PartFields, type FieldsOf } from '../../../ui/parts/PartFields';
import { BoardLines } from '../../../ui/parts/PlaceLines';
import { Lanes } from './Lanes';
import { LayingFields } from './LayingFields';
import { PhotoGroup } from '../photo/PhotoGroup';
import { LoomLines } from './LoomLines';
import type { AskingPanelProps, PanelProps } from '../panelProps';

/** The boards themselves, their lanes, and how this rig is laid. */
export function BoardPanel(props: AskingPanelProps) {
  const { rig } = props;
  return (
    <>
      {rig.layout.boards.map((board) => (
        <OneBoard key={board.id} {...props} board={board} />
      ))}
      <PhotoGroup {...props} />
      <Adding {...props} />
      <Lanes {...props} />
      <LoomLines {...props} />
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

function OneBoard({
  rig,
  units,
  actions,
  asking,
  board,
}: AskingPanelProps & { readonly board: Board }) {
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
      <BoardButtons {...{ rig, actions, asking, board }} />
    </Box>
  );
}

type ButtonProps = Pick<AskingPanelProps, 'rig' | 'actions' | 'asking'> & { readonly board: Board };

function BoardButtons({ rig, actions, asking, board }: ButtonProps) {
  return (
    <>
      {board.surface === 'plate' && (
        <Button size="small" onClick={() => asking.onAsk({ kind: 'opening' })}>
          Where would an opening help?
        </Button>
      )}
      <Button size="small" onClick={() => actions.edit(removeBoard(rig, board.id))}>
        Without this board
      </Button>
    </>
  );
}

/** Another board, or something on it that no signal runs through. */
function Adding({ rig, actions }: PanelProps) {
  const gear = useGearItems() ?? [];
  const boards = gear.filter(({ kind, retired }) => kind === 'board' && !retired);
  const fixtures = gear.filter(({ kind, retired }) => kind === 'fixture' && !retired);
  const supplies = gear.filter(({ kind, retired }) => kind === 'supply' && !retired);
  const add = (value: string) => {
    const item = gear.find(({ id }) => id === value);
    if (item?.kind === 'board') actions.edit(addBoard(rig, item.thing));
    else if (item?.kind === 'fixture') actions.edit(addFixture(rig, item.thing));
    else if (item?.kind === 'supply') actions.edit(addSupply(rig, item.thing));
    else if (value === 'supply') actions.edit(addSupply(rig, supplyOfClass('brick')));
    else if (value === 'board')
      actions.edit(addBoard(rig, gearOf('board').blank('board') as Board));
    else actions.edit(addFixture(rig, fixtureOfClass(value as FixtureClass, 'x1')));
  };
  const named = [...boards, ...supplies, ...fixtures].map(
    ({ id, thing }) => [id, thing.name] as const,
  );
  const usual = Object.entries(FIXTURE_CLASSES).map(
    ([of, { label }]) => [of, `${label}, usual size`] as const,
  );
  return (
    <ChooseThenAdd
      label="Add to the board"
      placeholder="a board, a supply, a switch …"
      options={[
        ...named,
        ...(boards.length === 0 ? [['board', 'another board'] as const] : []),
        ...(supplies.length === 0 ? [['supply', 'supply, usual size'] as const] : []),
        ...usual,
      ]}
      onAdd={add}
    />
  );
}
