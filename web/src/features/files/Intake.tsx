import { offerPicture } from '../../app/pictureTaker';
import {
  Box,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Button,
  Typography,
} from '@mui/material';
import { useSnackbar } from 'notistack';
import {
  createContext,
  lazy,
  Suspense,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import { useNavigate } from 'react-router';
import { messageOf, useCreateRigMutation, useDeleteRigMutation } from '../../app/api';
import { newId } from '../../app/newId';
import type { LookedAt } from '../../workers/files.worker';
import { filesWorker } from '../../workers/workers';

/** What takes a file and looks at it is loaded with the first one. */
const DropPlace = lazy(async () => ({ default: (await import('./DropPlace')).DropPlace }));
const ImportGear = lazy(async () => ({ default: (await import('./ImportGear')).ImportGear }));
const RestoreWorkspace = lazy(async () => ({
  default: (await import('./RestoreWorkspace')).RestoreWorkspace,
}));

type Opened = {
  readonly file: File;
  readonly found: LookedAt;
  /** Tells one file from the next: each is looked at afresh. */
  readonly at: number;
} | null;

const IntakeContext = createContext<(file: File) => void>(() => undefined);

/** Opens a file from outside, whatever it is. */
export const useOpenFile = () => useContext(IntakeContext);

/** The whole application as a place to drop files: gear lists, rigs, workspaces. */
export function Intake({ children }: { readonly children: ReactNode }) {
  const [opened, setOpened] = useState<Opened>(null);
  const openings = useRef(0);
  const addRig = useAddRig();
  const open = useCallback(
    async (file: File) => {
      const found = await lookAt(file);
      if (found.kind === 'rig') await addRig(found.rig);
      else setOpened({ file, found, at: ++openings.current });
    },
    [addRig],
  );
  const openFile = useMemo(() => (file: File) => void open(file), [open]);
  const dropped = useCallback(
    (file: File) => {
      if (!offerPicture(file)) openFile(file);
    },
    [openFile],
  );
  const [isComing, gone] = useFileComing();
  const close = () => setOpened(null);
  return (
    <IntakeContext value={openFile}>
      {children}
      <Suspense>
        {isComing && <DropPlace onFile={dropped} onGone={gone} />}
        {opened && <OpenedFile key={opened.at} {...opened} onClose={close} />}
      </Suspense>
    </IntakeContext>
  );
}

interface OpenedProps extends NonNullable<Opened> {
  readonly onClose: () => void;
}

/** Whether a file is being dragged over the page, and how to say that it is not any more. */
function useFileComing(): readonly [boolean, () => void] {
  const [isComing, setComing] = useState(false);
  useEffect(() => {
    const entered = ({ dataTransfer }: DragEvent) => {
      if (dataTransfer?.types.includes('Files')) setComing(true);
    };
    // A file that falls beside the place does not take the page's.
    const held = (event: DragEvent) => event.preventDefault();
    window.addEventListener('dragenter', entered);
    window.addEventListener('dragover', held);
    window.addEventListener('drop', held);
    return () => {
      window.removeEventListener('dragenter', entered);
      window.removeEventListener('dragover', held);
      window.removeEventListener('drop', held);
    };
  }, []);
  const gone = useCallback(() => setComing(false), []);
  return [isComing, gone];
}

/** What a file turned out to be. */
function OpenedFile({ file, found, onClose }: OpenedProps) {
  const shared = { name: file.name, onClose };
  switch (found.kind) {
    case 'table':
      return <ImportGear {...shared} table={found.table} guessed={found.columns} />;
    case 'workspace':
      return <RestoreWorkspace file={file} holds={found.holds} onClose={onClose} />;
    case 'refused':
      return <Refused {...shared} problems={found.problems} />;
    case 'rig':
      return null;
  }
}

async function lookAt(file: File): Promise<LookedAt> {
  try {
    return await filesWorker().look(file);
  } catch (error) {
    const message = `It could not be read: ${(error as Error).message}`;
    return { kind: 'refused', problems: [{ path: 'file', message }] };
  }
}

function useAddRig() {
  const [create] = useCreateRigMutation();
  const [remove] = useDeleteRigMutation();
  const navigate = useNavigate();
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  return useCallback(
    async (rig: Extract<LookedAt, { kind: 'rig' }>['rig']) => {
      const id = newId();
      const made = await create({ id, rig });
      if (made.error) return void enqueueSnackbar(messageOf(made.error), { variant: 'warning' });
      await navigate(`/rigs/${id}/path`);
      enqueueSnackbar(`“${rig.texts.name}” is a rig of its own now.`, {
        autoHideDuration: 15_000,
        action: (key) => (
          <Button
            color="inherit"
            size="small"
            onClick={() => {
              closeSnackbar(key);
              void remove({ id });
              void navigate('/');
            }}
          >
            Delete it again
          </Button>
        ),
      });
    },
    [create, remove, navigate, enqueueSnackbar, closeSnackbar],
  );
}

interface RefusedProps {
  readonly name: string;
  readonly problems: readonly { readonly path: string; readonly message: string }[];
  readonly onClose: () => void;
}

function Refused({ name, problems, onClose }: RefusedProps) {
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="refused-title">
      <DialogTitle id="refused-title">{name} stays outside</DialogTitle>
      <DialogContent>
        <Typography gutterBottom>Nothing was changed.</Typography>
        <Box
          component="ul"
          sx={{ m: 0, pl: 2.5, overflowWrap: 'anywhere' }}
          data-testid="refused-problems"
        >
          {problems.map(({ path, message }, i) => (
            <li key={i}>{path === 'file' ? message : `${path}: ${message}`}</li>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose} autoFocus>
          Well then
        </Button>
      </DialogActions>
    </Dialog>
  );
}
