import DarkModeOutlined from '@mui/icons-material/DarkModeOutlined';
import LightModeOutlined from '@mui/icons-material/LightModeOutlined';
import Redo from '@mui/icons-material/Redo';
import Undo from '@mui/icons-material/Undo';
import History from '@mui/icons-material/History';
import KeyboardOutlined from '@mui/icons-material/KeyboardOutlined';
import { Button, IconButton, Tooltip } from '@mui/material';
import { lazy, memo, Suspense, useState, type ReactNode } from 'react';
import { useAppDispatch } from '../../app/storeHooks';
import { useSettings, useThemeMode } from '../../app/useSettings';
import { useShowKeys } from '../../app/showKeys';
import { editorActions } from './model/editorSlice';

/** Loaded when it is asked for. */
const RevisionsDialog = lazy(async () => ({
  default: (await import('./RevisionsDialog')).RevisionsDialog,
}));

interface Props {
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

/** Undo, redo, units, light and keys: what every stage has at its top. Not drawn anew at every step of a drag. */
export const RigTools = memo(function RigTools({ canUndo, canRedo }: Props) {
  const dispatch = useAppDispatch();
  const [settings, change] = useSettings();
  const mode = useThemeMode();
  const showKeys = useShowKeys();
  const isMetric = settings.units === 'metric';
  return (
    <>
      <Tool label="Undo" isOff={!canUndo} onClick={() => dispatch(editorActions.undone())}>
        <Undo fontSize="small" />
      </Tool>
      <Tool label="Redo" isOff={!canRedo} onClick={() => dispatch(editorActions.redone())}>
        <Redo fontSize="small" />
      </Tool>
      <Revisions />
      <Button
        size="small"
        color="inherit"
        sx={{ minWidth: 36 }}
        aria-label={isMetric ? 'Show lengths in feet' : 'Show lengths in metres'}
        onClick={() => change({ units: isMetric ? 'imperial' : 'metric' })}
      >
        {isMetric ? 'm' : 'ft'}
      </Button>
      <Tool
        label={mode === 'day' ? 'Night' : 'Day'}
        onClick={() => change({ theme: mode === 'day' ? 'night' : 'day' })}
      >
        {mode === 'day' ? (
          <DarkModeOutlined fontSize="small" />
        ) : (
          <LightModeOutlined fontSize="small" />
        )}
      </Tool>
      <Tool label="Help and keys" onClick={showKeys}>
        <KeyboardOutlined fontSize="small" />
      </Tool>
    </>
  );
});

function Revisions() {
  const [isLooking, setLooking] = useState(false);
  return (
    <>
      <Tool label="Kept revisions" onClick={() => setLooking(true)}>
        <History fontSize="small" />
      </Tool>
      <Suspense>{isLooking && <RevisionsDialog onClose={() => setLooking(false)} />}</Suspense>
    </>
  );
}

function Tool({
  label,
  isOff = false,
  onClick,
  children,
}: {
  label: string;
  isOff?: boolean;
  onClick: () => void;
  children: ReactNode;
}) {
  return (
    <Tooltip title={label}>
      <span>
        <IconButton
          size="small"
          color="inherit"
          aria-label={label}
          disabled={isOff}
          onClick={onClick}
        >
          {children}
        </IconButton>
      </span>
    </Tooltip>
  );
}
