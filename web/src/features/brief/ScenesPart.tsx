import {
  allDevices,
  editBrief,
  keepScene,
  nameSwitch,
  removeFrom,
  switchInScene,
  switchesOfDevice,
} from '@gullwind/core';
import Add from '@mui/icons-material/Add';
import DeleteOutline from '@mui/icons-material/DeleteOutlined';
import { Box, Button, Checkbox, Chip, IconButton, Typography } from '@mui/material';
import { NameField } from '../../ui/NameField';
import type { BriefPartProps } from './briefPart';
import { Part } from './Part';

const NAME_STYLE = { fontSize: 15, fontWeight: 600, width: 150 } as const;

/** Songs or scenes with what is on; plans are measured in those that count. */
export function ScenesPart({ rig, edit }: BriefPartProps) {
  const switches = allDevices(rig).flatMap(switchesOfDevice);
  const { uncounted } = rig.texts.brief;
  return (
    <Part
      title="Songs and scenes"
      hint={
        rig.electrical.scenes.length === 0
          ? 'None yet: plans are measured with what is left on, and nothing else.'
          : 'Plans are measured in those that are ticked.'
      }
    >
      {rig.electrical.scenes.map((scene) => {
        const counts = !uncounted.includes(scene.id);
        return (
          <Box
            key={scene.id}
            sx={{ display: 'flex', alignItems: 'flex-start', borderTop: 1, borderColor: 'divider' }}
          >
            <Checkbox
              size="small"
              checked={counts}
              slotProps={{ input: { 'aria-label': `${scene.name} counts` } }}
              onChange={() =>
                edit(
                  editBrief(rig, {
                    uncounted: counts
                      ? [...uncounted, scene.id]
                      : uncounted.filter((id) => id !== scene.id),
                  }),
                )
              }
            />
            <Box sx={{ pt: 0.5 }}>
              <NameField
                label="Name of the scene"
                value={scene.name}
                onChange={(to) =>
                  edit({ kind: 'rename', target: { of: 'scene', id: scene.id }, to })
                }
                sx={NAME_STYLE}
              />
            </Box>
            <Box sx={{ flex: 1, display: 'flex', flexWrap: 'wrap', gap: 0.5, py: 0.75 }}>
              {switches.map((id) => {
                const on = scene.state.positions[id] === true;
                return (
                  <Chip
                    key={id}
                    size="small"
                    label={nameSwitch(rig, id)}
                    variant={on ? 'filled' : 'outlined'}
                    color={on ? 'primary' : 'default'}
                    aria-pressed={on}
                    onClick={() => edit(switchInScene(rig, scene.id, id, !on))}
                  />
                );
              })}
            </Box>
            <IconButton
              size="small"
              aria-label={`Delete ${scene.name}`}
              onClick={() => edit(removeFrom(rig, 'scenes', scene.id))}
            >
              <DeleteOutline sx={{ fontSize: 17 }} />
            </IconButton>
          </Box>
        );
      })}
      {switches.length === 0 ? (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Add pedals first.
        </Typography>
      ) : (
        <Button
          size="small"
          startIcon={<Add />}
          onClick={() => edit(keepScene(rig, `Scene ${rig.electrical.scenes.length + 1}`))}
        >
          A scene, from what is on now
        </Button>
      )}
    </Part>
  );
}
