import { MOST_SENT_BYTES, PICTURE_TYPES } from '@gullwind/contract';
import type { BoardPhoto, PhotoLie } from '@gullwind/core';
import { Button } from '@mui/material';
import { useSnackbar } from 'notistack';
import { createElement, useCallback, useEffect, useMemo, useState } from 'react';
import {
  useGetPhotoQuery,
  useLayPhotoMutation,
  usePutPhotoMutation,
  useRemovePhotoMutation,
} from '../../../app/api';
import { takePictures } from '../../../app/pictureTaker';
import { askFile, sayFailed, type Failure } from '../../../app/http';

/** The photograph under a board, and what is wrong with the one that was sent last. */
export interface PhotoNow {
  readonly photo: BoardPhoto | null;
  readonly url: string | null;
  readonly isSending: boolean;
  readonly message: string | null;
  /** @returns whether it was kept */
  readonly send: (file: Blob, lie?: PhotoLie) => Promise<boolean>;
  readonly lay: (lie: PhotoLie) => void;
  readonly remove: () => Promise<void>;
}

const pathOf = (rigId: string, { version }: BoardPhoto): string =>
  `/rigs/${rigId}/photo/picture?v=${version}`;

/** What can be said of a file before it is sent. */
export function problemWithFile({ type, size }: Blob): string | null {
  if (!(PICTURE_TYPES as readonly string[]).includes(type))
    return 'Picture: this is no photograph; it must be a JPEG, PNG or WebP file.';
  const megabytes = (bytes: number) => `${Math.ceil(bytes / 2 ** 20)} MiB`;
  return size > MOST_SENT_BYTES
    ? `Picture: ${megabytes(size)}, at most ${megabytes(MOST_SENT_BYTES)}.`
    : null;
}

const sayRefusal = (failure: unknown): string =>
  (failure as Failure).kind === 'refused'
    ? (failure as Extract<Failure, { kind: 'refused' }>).problem.detail
    : sayFailed(failure as Failure);

export function usePhoto(rigId: string): PhotoNow {
  const { data } = useGetPhotoQuery(rigId);
  const [put, { isLoading: isSending }] = usePutPhotoMutation();
  const [layDown] = useLayPhotoMutation();
  const [message, setMessage] = useState<string | null>(null);
  const photo = data?.photo ?? null;
  const lay = useCallback(
    (lie: PhotoLie) =>
      void layDown({ id: rigId, lie })
        .unwrap()
        .then(() => setMessage(null))
        .catch((failure: unknown) => setMessage(sayRefusal(failure))),
    [layDown, rigId],
  );
  const send = useCallback(
    async (file: Blob, lie?: PhotoLie) => {
      const problem = problemWithFile(file);
      setMessage(problem);
      if (problem) return false;
      try {
        const { kind } = await put({ id: rigId, file, ...(lie && { lie }) }).unwrap();
        if (kind === 'kept')
          setMessage('The server does not answer. The picture is sent when it does.');
        return true;
      } catch (failure) {
        setMessage(sayRefusal(failure));
        return false;
      }
    },
    [put, rigId],
  );
  const remove = useRemove(rigId, photo, send);
  const url = photo && `/api${pathOf(rigId, photo)}`;
  return useMemo(
    () => ({ photo, url, isSending, message, send, lay, remove }),
    [photo, url, isSending, message, send, lay, remove],
  );
}

/** Lets go of the photograph; it can be put back. */
function useRemove(rigId: string, photo: BoardPhoto | null, send: PhotoNow['send']) {
  const [takeAway] = useRemovePhotoMutation();
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  return useCallback(async () => {
    if (!photo) return;
    const { points, brightness } = photo;
    const kept = await askFile(pathOf(rigId, photo));
    await takeAway({ id: rigId }).unwrap();
    enqueueSnackbar('The photograph is gone.', {
      autoHideDuration: 12_000,
      action: (key) =>
        kept.kind === 'ok' &&
        createElement(
          Button,
          {
            color: 'inherit',
            onClick: () => {
              closeSnackbar(key);
              void send(kept.data, { points, brightness });
            },
          },
          'Undo',
        ),
    });
  }, [rigId, photo, takeAway, send, enqueueSnackbar, closeSnackbar]);
}

/** A picture that is dropped onto the window comes under the board. */
export function usePictureTaker({ send }: Pick<PhotoNow, 'send'>): void {
  useEffect(() => takePictures((picture) => void send(picture)), [send]);
}
