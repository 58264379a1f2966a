import { Box, Typography } from '@mui/material';
import { useCallback } from 'react';
import { useDropzone } from 'react-dropzone';

interface Props {
  readonly onFile: (file: File) => void;
  /** The file was let go, or dragged away again. */
  readonly onGone: () => void;
}

/** The whole window as a place to drop a file, while one is dragged over it. */
export function DropPlace({ onFile, onGone }: Props) {
  const onDrop = useCallback(
    (files: File[]) => {
      onGone();
      if (files[0]) onFile(files[0]);
    },
    [onFile, onGone],
  );
  const { getRootProps } = useDropzone({
    onDrop,
    onDragLeave: onGone,
    noClick: true,
    noKeyboard: true,
    multiple: false,
  });
  return (
    <Box
      {...getRootProps()}
      role={undefined}
      tabIndex={undefined}
      sx={OVER_ALL}
      data-testid="drop-place"
    >
      <Box sx={VEIL}>
        <Typography variant="h1">
          Drop: a gear list (CSV), a rig or a backup (JSON); on the Board page, a photograph
        </Typography>
      </Box>
    </Box>
  );
}

const OVER_ALL = { position: 'fixed', inset: 0, zIndex: 2000 } as const;

const VEIL = {
  position: 'absolute',
  inset: 12,
  display: 'grid',
  placeItems: 'center',
  border: '2px dashed',
  borderColor: 'primary.main',
  bgcolor: 'background.default',
  opacity: 0.94,
  pointerEvents: 'none',
} as const;
