import type { RigListing, StoredRig } from '@gullwind/contract';
import { Button } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useNavigate } from 'react-router';
import {
  messageOf,
  useCreateRigMutation,
  useDeleteRigMutation,
  useRestoreRigMutation,
} from '../../app/api';
import { ask, sayFailed } from '../../app/http';
import { tellRemoved } from '../../app/openRig';
import { newId } from '../../app/newId';
import { useSettings } from '../../app/useSettings';

/** What can be done to the rigs of the list. */
export interface RigActions {
  readonly add: (stage: 'path' | 'brief') => Promise<void>;
  readonly duplicate: (rig: RigListing) => Promise<void>;
  /** Takes a rig off the list; one press puts it back. */
  readonly takeOff: (rig: RigListing) => Promise<void>;
  readonly putBack: (rig: RigListing) => Promise<void>;
}

/** What a rig is made of is loaded with the first one. */
const newRigs = () => import('./model/newRigs');

const KEPT_RIG = 'The server does not answer. The rig comes on the list when it does.';

export function useRigActions(): RigActions {
  const [create] = useCreateRigMutation();
  const [settings] = useSettings();
  const navigate = useNavigate();
  const { enqueueSnackbar } = useSnackbar();
  const warn = (message: string) => enqueueSnackbar(message, { variant: 'warning' });
  const add = async (stage: 'path' | 'brief') => {
    const id = newId();
    const { firstRig } = await newRigs();
    const made = await create({ id, rig: firstRig(settings) });
    if (made.error) warn(messageOf(made.error));
    else await navigate(`/rigs/${id}/${stage}`);
  };
  const duplicate = async ({ id }: RigListing) => {
    const answer = await ask<StoredRig>({ path: `/rigs/${id}` });
    if (answer.kind !== 'ok') return void warn(sayFailed(answer));
    const rig = (await newRigs()).copyOf(answer.data.rig);
    const made = await create({ id: newId(), rig });
    if (made.error) warn(messageOf(made.error));
    else
      enqueueSnackbar(made.data.kind === 'kept' ? KEPT_RIG : `“${rig.texts.name}” is on the list.`);
  };
  return { add, duplicate, ...useRemoving() };
}

function useRemoving(): Pick<RigActions, 'takeOff' | 'putBack'> {
  const [remove] = useDeleteRigMutation();
  const [restore] = useRestoreRigMutation();
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  const warn = (message: string) => enqueueSnackbar(message, { variant: 'warning' });
  const putBack = async ({ id, name }: RigListing) => {
    const answer = await restore({ id });
    if ('error' in answer) warn(messageOf(answer.error));
    else enqueueSnackbar(`“${name}” is on the list again.`);
  };
  const takeOff = async (rig: RigListing) => {
    const removed = await remove({ id: rig.id });
    if ('error' in removed) return void warn(messageOf(removed.error));
    tellRemoved(rig.id);
    enqueueSnackbar(`“${rig.name}” is off the list. For 30 days it can be put back.`, {
      autoHideDuration: 15_000,
      action: (key) => (
        <Button
          color="inherit"
          onClick={() => {
            closeSnackbar(key);
            void putBack(rig);
          }}
        >
          Put it back
        </Button>
      ),
    });
  };
  return { takeOff, putBack };
}
