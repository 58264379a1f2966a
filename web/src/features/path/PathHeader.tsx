import { hasSwitch } from '@gullwind/core';
import Add from '@mui/icons-material/Add';
import DarkModeOutlined from '@mui/icons-material/DarkModeOutlined';
import KeyboardOutlined from '@mui/icons-material/KeyboardOutlined';
import LightModeOutlined from '@mui/icons-material/LightModeOutlined';
import Redo from '@mui/icons-material/Redo';
import Undo from '@mui/icons-material/Undo';
import { Box, Button, IconButton, Tooltip } from '@mui/material';
import type { ReactNode } from 'react';
import { useAppDispatch } from '../../app/store';
import { useSettings, useThemeMode } from '../../app/useSettings';
import { NameField } from '../../ui/NameField';
import { editorActions, type OpenRig } from '../editor';
import { SaveMark } from './SaveMark';

interface Props {
  readonly open: OpenRig;
  readonly onKeys: () => void;
  readonly onAdd: () => void;
}

/** Whose rig this is, how it stands with the server, and the few things that act on all of it. */
export function PathHeader({ open, onKeys, onAdd }: Props) {
  const dispatch = useAppDispatch();
  const [settings, change] = useSettings();
  const mode = useThemeMode();
  const { rig } = open;
  const anyOn = rig.devices.some((device) => hasSwitch(device) && rig.positions[device.id]);
  const allOff = {
    kind: 'stamp',
    positions: Object.fromEntries(rig.devices.map(({ id }) => [id, false])),
  } as const;
  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        px: 2,
        height: 50,
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <Box component="h1" sx={{ m: 0, flex: '0 1 300px', minWidth: 120 }}>
        <NameField
          label="Name of the rig"
          value={rig.name}
          onChange={(to) =>
            dispatch(editorActions.edited({ kind: 'rename', target: { of: 'rig' }, to }))
          }
          sx={{
            fontSize: 21,
            fontWeight: 600,
            width: '100%',
            '& input': { textOverflow: 'ellipsis' },
          }}
        />
      </Box>
      <Box sx={{ flex: '0 1 220px', minWidth: 80 }}>
        <NameField
          label="Player"
          value={rig.player}
          required={false}
          placeholder="whose rig is it?"
          onChange={(to) =>
            dispatch(editorActions.edited({ kind: 'describe', field: 'player', to }))
          }
          sx={{ fontSize: 15, width: '100%' }}
        />
      </Box>
      <SaveMark save={open.save} />
      <Box sx={{ flex: 1 }} />
      <Button size="small" variant="outlined" startIcon={<Add />} onClick={onAdd}>
        Add a pedal
      </Button>
      <Button
        size="small"
        color="inherit"
        disabled={!anyOn}
        onClick={() => dispatch(editorActions.edited(allOff))}
      >
        All off
      </Button>
      <Tool
        label="Undo"
        isOff={open.past.length === 0}
        onClick={() => dispatch(editorActions.undone())}
      >
        <Undo fontSize="small" />
      </Tool>
      <Tool
        label="Redo"
        isOff={open.future.length === 0}
        onClick={() => dispatch(editorActions.redone())}
      >
        <Redo fontSize="small" />
      </Tool>
      <Button
        size="small"
        color="inherit"
        sx={{ minWidth: 36 }}
        aria-label={settings.units === 'metric' ? 'Show lengths in feet' : 'Show lengths in metres'}
        onClick={() => change({ units: settings.units === 'metric' ? 'imperial' : 'metric' })}
      >
        {settings.units === 'metric' ? 'm' : 'ft'}
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
      <Tool label="Keys" onClick={onKeys}>
        <KeyboardOutlined fontSize="small" />
      </Tool>
    </Box>
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
