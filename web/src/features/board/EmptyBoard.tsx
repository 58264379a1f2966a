import {
  addBoard,
  applyEdits,
  copyBoard,
  firstArrangement,
  flatLie,
  formatQuantity,
  gearOf,
  type Board,
  type Edit,
  type Rig,
} from '@gullwind/core';
import { Box, Button, NativeSelect, Typography } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useId, useState, type ReactNode } from 'react';
import { useListNamesQuery } from '../../app/api';
import { useGearItems } from '../../app/useGearItems';
import { useSettings } from '../../app/useSettings';
import { FieldMessage } from '../../ui/FieldMessage';
import { fetchRig } from '../editor';
import { ChoosePicture } from './photo/PhotoGroup';
import { usePhoto, usePictureTaker } from './photo/usePhoto';

interface Props {
  readonly rigId: string;
  readonly rig: Rig;
  readonly onEdit: (edit: Edit) => void;
}

type Choice = Omit<Board, 'id'>;

/** The boards that the workshop has, and one of the usual size. */
function useBoards(): readonly (readonly [string, Choice])[] {
  const gear = useGearItems();
  const own = (gear ?? []).flatMap(({ id, kind, thing, retired }) =>
    kind === 'board' && !retired ? [[id, thing as Choice] as const] : [],
  );
  return [...own, ['usual', gearOf('board').blank('board', 'board') as Choice]];
}

/** A rig without a board: three ways to begin one. */
export function EmptyBoard({ rigId, rig, onEdit }: Props) {
  const boards = useBoards();
  const [chosen, setChosen] = useState<string | null>(null);
  const [id, board] = boards.find(([one]) => one === chosen) ?? boards[0]!;
  return (
    <Box sx={{ p: 4, maxWidth: 760, overflowY: 'auto' }}>
      <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600 }}>
        Nothing is laid out yet
      </Typography>
      <Typography sx={{ mt: 0.5 }}>
        Lay the rig out to scale: you see whether plugs, feet and cables have room, and every patch
        gets the length it will really be made to. The treble follows.
      </Typography>
      <WhichBoard boards={boards} chosen={id} onChoose={setChosen} />
      <InOrder rig={rig} board={board} onEdit={onEdit} />
      <Way says="Empty, and everything in the cargo list: you place one thing after another.">
        <Button variant="outlined" onClick={() => onEdit(addBoard(rig, board))}>
          An empty board
        </Button>
      </Way>
      <FromPhoto rigId={rigId} rig={rig} board={board} onEdit={onEdit} />
      <FromAnother rigId={rigId} rig={rig} onEdit={onEdit} />
    </Box>
  );
}

interface WhichProps {
  readonly boards: readonly (readonly [string, Choice])[];
  readonly chosen: string;
  readonly onChoose: (id: string) => void;
}

function WhichBoard({ boards, chosen, onChoose }: WhichProps) {
  const id = useId();
  const [{ units }] = useSettings();
  const size = (m: number) => formatQuantity(m, 'size', units);
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', mt: 2.5 }}>
      <Typography component="label" htmlFor={id}>
        On which board?
      </Typography>
      <NativeSelect id={id} value={chosen} onChange={(event) => onChoose(event.target.value)}>
        {boards.map(([one, { name, widthM, depthM }]) => (
          <option key={one} value={one}>
            {`${name}, ${size(widthM.value)} × ${size(depthM.value)}`}
          </option>
        ))}
      </NativeSelect>
    </Box>
  );
}

interface InOrderProps extends Pick<Props, 'rig' | 'onEdit'> {
  readonly board: Choice;
}

/** From the rig's order, without a conflict. */
function InOrder({ rig, board, onEdit }: InOrderProps) {
  const isBare = rig.electrical.rows.every(({ devices }) => devices.length === 0);
  const says = isBare
    ? 'The rig has no pedals yet: put them in on the Path page, or begin with an empty board.'
    : 'In the order of the chain: what is switched in front, what stays on behind; nothing in the way of anything.';
  return (
    <Way says={says}>
      <Button
        variant="contained"
        disabled={isBare}
        onClick={() => onEdit(begunInOrder(rig, board))}
      >
        A first arrangement
      </Button>
    </Way>
  );
}

/** How large a picture is as it will be shown; null where the browser cannot read it, and the server will say why. */
async function sizeOf(file: Blob): Promise<Pick<ImageBitmap, 'width' | 'height'> | null> {
  try {
    const bitmap = await createImageBitmap(file);
    const { width, height } = bitmap;
    bitmap.close();
    return { width, height };
  } catch {
    return null;
  }
}

/** A photograph of the board as it is: it lies under the drawing and is traced. */
function FromPhoto({ rigId, rig, board, onEdit }: InOrderProps & { readonly rigId: string }) {
  const photo = usePhoto(rigId);
  const begin = async (file: Blob): Promise<boolean> => {
    const x1 = board.widthM.value;
    const size = await sizeOf(file);
    const points = size && flatLie({ x0: 0, y0: 0, x1 }, size);
    const isKept = await photo.send(file, points ? { points, brightness: 1 } : undefined);
    if (isKept) onEdit(addBoard(rig, board));
    return isKept;
  };
  usePictureTaker({ send: begin });
  return (
    <Way says="The board as it is now, from above: scale it, straighten it, and trace what stands there.">
      <ChoosePicture
        label="From a photograph"
        isBusy={photo.isSending}
        onFile={(file) => void begin(file)}
      />
      <FieldMessage message={photo.message} />
    </Way>
  );
}

function Way({ says, children }: { readonly says: string; readonly children: ReactNode }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: '190px 1fr',
        gap: 2,
        alignItems: 'center',
        mt: 2,
        '& > :first-of-type': { justifySelf: 'start' },
      }}
    >
      <Box>{children}</Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {says}
      </Typography>
    </Box>
  );
}

/** The board and the arrangement on it, as one step. */
function begunInOrder(rig: Rig, board: Choice): Edit {
  const first = addBoard(rig, board);
  const { edit } = firstArrangement(applyEdits(rig, first));
  return edit ? { kind: 'group', edits: [first, edit] } : first;
}

/** The board of another rig: what both have stands where it stands there. */
function FromAnother({ rigId, rig, onEdit }: Props) {
  const { data: names = [] } = useListNamesQuery();
  const others = names.filter(({ id }) => id !== rigId);
  const [from, setFrom] = useState<string | null>(null);
  const { enqueueSnackbar } = useSnackbar();
  const chosen = from ?? others[0]?.id;
  const copy = async () => {
    const answer = await fetchRig(chosen!);
    if (answer.kind !== 'ok')
      return enqueueSnackbar('That rig could not be read.', { variant: 'warning' });
    const other = answer.data.rig;
    if (other.layout.boards.length === 0)
      return enqueueSnackbar(`${other.texts.name} has no board yet.`, { variant: 'info' });
    const { edit, placed, left } = copyBoard(rig, other);
    onEdit(edit);
    return enqueueSnackbar(
      `${placed} of this rig’s pedals stand as they do there; ${left} wait in the cargo list.`,
      { variant: 'info' },
    );
  };
  if (others.length === 0) return null;
  return (
    <Way says="What both rigs have stands where it stands there; the rest waits in the cargo list.">
      <NativeSelect
        value={chosen}
        inputProps={{ 'aria-label': 'As in which rig?' }}
        onChange={(event) => setFrom(event.target.value)}
        sx={{ maxWidth: 180, mb: 0.5 }}
      >
        {others.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </NativeSelect>
      <Button variant="outlined" onClick={() => void copy()}>
        As that rig has it
      </Button>
    </Way>
  );
}
