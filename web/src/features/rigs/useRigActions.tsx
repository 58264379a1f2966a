import type { RigListing } from '@gullwind/contract';
import { cutText, LONGEST_NAME, newRig, usualReference } from '@gullwind/core';
import { Button } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useNavigate } from 'react-router';
import {
  messageOf,
  useCreateRigMutation,
  useDeleteRigMutation,
  useRestoreRigMutation,
} from '../../app/api';
import { sayFailed } from '../../app/http';
import { newId } from '../../app/newId';
import { useAppDispatch } from '../../app/storeHooks';
import { useSettings } from '../../app/useSettings';
import { editorActions, fetchRig } from '../editor';

/** What can be done to the rigs of the list. */
export interface RigActions {
  readonly add: (stage: 'path' | 'brief') => Promise<void>;
  readonly duplicate: (rig: RigListing) => Promise<void>;
  /** Takes a rig off the list; one press puts it back. */
  readonly takeOff: (rig: RigListing) => Promise<void>;
  readonly putBack: (rig: RigListing) => Promise<void>;
}

export function useRigActions(): RigActions {
  const [create] = useCreateRigMutation();
  const [settings] = useSettings();
  const navigate = useNavigate();
  const { enqueueSnackbar } = useSnackbar();
  const warn = (message: string) => enqueueSnackbar(message, { variant: 'warning' });
  const add = async (stage: 'path' | 'brief') => {
    const id = newId();
    const made = await create({
      id,
      rig: newRig('New rig', usualReference(settings.reference, settings.units)),
    });
    if ('error' in made) warn(messageOf(made.error));
    else await navigate(`/rigs/${id}/${stage}`);
  };
  const duplicate = async ({ id }: RigListing) => {
    const answer = await fetchRig(id);
    if (answer.kind !== 'ok') return void warn(sayFailed(answer));
    const { rig } = answer.data;
    const name = cutText(rig.texts.name, LONGEST_NAME, ', copy');
    const made = await create({ id: newId(), rig: { ...rig, texts: { ...rig.texts, name } } });
    if ('error' in made) warn(messageOf(made.error));
    else enqueueSnackbar(`“${name}” is on the list.`);
  };
  return { add, duplicate, ...useRemoving() };
}

function useRemoving(): Pick<RigActions, 'takeOff' | 'putBack'> {
  const dispatch = useAppDispatch();
  const [remove] = useDeleteRigMutation();
  const [restore] = useRestoreRigMutation();
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  const warn = (message: string) => enqueueSnackbar(message, { variant: 'warning' });
  const putBack = async ({ id, name }: RigListing) => {
    const answer = await restore(id);
    if ('error' in answer) warn(messageOf(answer.error));
    else enqueueSnackbar(`“${name}” is on the list again.`);
  };
  const takeOff = async (rig: RigListing) => {
    const removed = await remove(rig.id);
    if ('error' in removed) return void warn(messageOf(removed.error));
    dispatch(editorActions.rigRemoved(rig.id));
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
