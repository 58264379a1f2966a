import {
  formatSignedDb,
  keepScene,
  removeFrom,
  standIn,
  type Resonance,
  type Rig,
  type Scene,
  type SceneFigures,
} from '@gullwind/core';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, Typography, styled } from '@mui/material';
import { memo } from 'react';
import { NameField } from '../../ui/NameField';
import type { PathActions } from './usePathActions';

interface Props {
  readonly analysed: { readonly rig: Rig; readonly scenes: readonly SceneFigures[] } | null;
  readonly actions: PathActions;
}

const Table = styled('table')(({ theme }) => ({
  width: '100%',
  borderCollapse: 'collapse',
  fontSize: 13.5,
  '& th, & td': { padding: '2px 0 2px 6px', textAlign: 'right', fontWeight: 400 },
  '& th:first-of-type': { textAlign: 'left', paddingLeft: 0 },
  '& thead th': { color: theme.chart.faint, fontSize: 12.5 },
  '& tbody tr': { borderTop: `1px solid ${theme.chart.grid}` },
}));

/** Scenes side by side: what each does to the sound on the way that is looked at. */
export const ScenesPanel = memo(function ScenesPanel({ analysed, actions }: Props) {
  if (!analysed) return <Typography variant="body2">Measuring …</Typography>;
  const { rig, scenes } = analysed;
  return (
    <>
      <Table aria-label="Scenes compared">
        <thead>
          <tr>
            <th>scene</th>
            <th title="Treble against straight in, dB">treble</th>
            <th title="Level at 400 Hz, dB">level</th>
            <th title="Resonance, kHz">res.</th>
          </tr>
        </thead>
        <tbody>
          {scenes.map(({ sceneId, sound }) => {
            const scene = rig.scenes.find(({ id }) => id === sceneId);
            return (
              <tr key={sceneId ?? 'now'}>
                <th scope="row">
                  {scene ? <SceneName rig={rig} scene={scene} actions={actions} /> : 'as it stands'}
                </th>
                {sound ? (
                  <>
                    <td>{formatSignedDb(sound.figures.trebleDb)}</td>
                    <td>{formatSignedDb(sound.figures.levelDb)}</td>
                    <td>{sayResonance(sound.resonance)}</td>
                  </>
                ) : (
                  <td colSpan={3}>nothing is heard</td>
                )}
              </tr>
            );
          })}
        </tbody>
      </Table>
      {rig.scenes.length === 0 && (
        <Typography variant="body2" sx={{ my: 1, color: 'text.secondary' }}>
          A scene is a set of pedals that are on together: the verse, the storm. Stamp the board as
          it is to be, then keep it.
        </Typography>
      )}
      <Button
        size="small"
        onClick={() => actions.edit(keepScene(rig, `Scene ${rig.scenes.length + 1}`))}
      >
        Keep this as a scene
      </Button>
    </>
  );
});

const sayResonance = (resonance: Resonance): string =>
  resonance.kind === 'resonance' ? (resonance.frequencyHz / 1000).toFixed(2) : 'none';

function SceneName({
  rig,
  scene,
  actions,
}: {
  readonly rig: Rig;
  readonly scene: Scene;
  readonly actions: PathActions;
}) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center' }}>
      <NameField
        label={`Name of scene ${scene.name}`}
        value={scene.name}
        onChange={(to) =>
          actions.edit({ kind: 'rename', target: { of: 'scene', id: scene.id }, to })
        }
        sx={{ fontSize: 13.5, width: 62, '& input': { py: 0 } }}
      />
      <Button
        size="small"
        sx={{ minWidth: 0, px: 0.5, py: 0 }}
        onClick={() => actions.edit(standIn(rig, scene))}
      >
        stand
      </Button>
      <IconButton
        size="small"
        aria-label={`Let scene ${scene.name} go`}
        sx={{ p: 0 }}
        onClick={() => actions.edit(removeFrom(rig, 'scenes', scene.id))}
      >
        <DeleteOutlined sx={{ fontSize: 16 }} />
      </IconButton>
    </Box>
  );
}
