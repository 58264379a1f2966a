import Add from '@mui/icons-material/Add';
import DarkModeOutlined from '@mui/icons-material/DarkModeOutlined';
import KeyboardOutlined from '@mui/icons-material/KeyboardOutlined';
import LightModeOutlined from '@mui/icons-material/LightModeOutlined';
import Redo from '@mui/icons-material/Redo';
import Undo from '@mui/icons-material/Undo';
import { Box, Button, IconButton, Tooltip } from '@mui/material';
import { memo, type ReactNode } from 'react';
import { useSettings, useThemeMode } from '../../app/useSettings';
import { NameField } from '../../ui/NameField';
import type { SaveState } from '../editor';
import { SaveMark } from './SaveMark';
import type { PathActions } from './usePathActions';

interface Props {
  readonly name: string;
  readonly player: string;
  readonly save: SaveState;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly actions: PathActions;
  /** Scene, guitar, end and power. */
  readonly standBar: ReactNode;
  readonly takeOut: ReactNode;
}

// The same objects each time: what is drawn with them is not drawn again.
const NAME_STYLE = { fontSize: 21, fontWeight: 600, width: '100%' } as const;
const PLAYER_STYLE = { fontSize: 15, width: '100%' } as const;

/** Whose rig this is, how it stands with the server, and the few things that act on all of it. */
export function PathHeader(props: Props) {
  const { name, player, save, canUndo, canRedo, actions, standBar, takeOut } = props;
  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        px: 2,
        minHeight: 50,
        flexWrap: 'wrap',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <Box component="h1" sx={{ m: 0, flex: '1 1 150px', minWidth: 110, maxWidth: 300 }}>
        <NameField label="Name of the rig" value={name} onChange={actions.rename} sx={NAME_STYLE} />
      </Box>
      <Box sx={{ flex: '0 1 120px', minWidth: 60 }}>
        <NameField
          label="Player"
          value={player}
          required={false}
          placeholder="whose rig is it?"
          onChange={actions.namePlayer}
          sx={PLAYER_STYLE}
        />
      </Box>
      <SaveMark save={save} />
      {standBar}
      <Tools canUndo={canUndo} canRedo={canRedo} actions={actions} />
      {takeOut}
    </Box>
  );
}

/** Drawn again only when something of it changes, not at every step of a drag. */
const Tools = memo(function Tools({
  canUndo,
  canRedo,
  actions,
}: Pick<Props, 'canUndo' | 'canRedo' | 'actions'>) {
  const [settings, change] = useSettings();
  const mode = useThemeMode();
  const isMetric = settings.units === 'metric';
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        startIcon={<Add />}
        sx={{ whiteSpace: 'nowrap', flexShrink: 0 }}
        onClick={actions.add}
      >
        Add a pedal
      </Button>
      <Tool label="Undo" isOff={!canUndo} onClick={actions.undo}>
        <Undo fontSize="small" />
      </Tool>
      <Tool label="Redo" isOff={!canRedo} onClick={actions.redo}>
        <Redo fontSize="small" />
      </Tool>
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
      <Tool label="Keys" onClick={actions.showKeys}>
        <KeyboardOutlined fontSize="small" />
      </Tool>
    </>
  );
});

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
