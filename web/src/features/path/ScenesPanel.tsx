import {
  formatSignedDb,
  keepScene,
  keepPlace,
  measureOutPlace,
  removeFrom,
  placeNow,
  goToPlace,
  recallScene,
  type Resonance,
  type Rig,
  type SideFigures,
} from '@gullwind/core';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, Typography, styled } from '@mui/material';
import { memo, type ReactNode } from 'react';
import { NameField } from '../../ui/NameField';
import { PanelGroup } from '../../ui/parts/PanelGroup';
import type { MeasuredSides } from '../../workers/useSideQuestions';
import { NowMark } from './CurveKey';
import { PinMark } from './PinMark';
import type { PathActions } from './usePathActions';

interface Props {
  readonly analysed: MeasuredSides | null;
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

/** Scenes side by side, and places: what each does to the sound on the way that is looked at. */
export const ScenesPanel = memo(function ScenesPanel({ analysed, actions }: Props) {
  if (!analysed) return <Typography variant="body2">Measuring …</Typography>;
  const { rig, scenes, places } = analysed;
  return (
    <>
      <SoundTable label="Scenes compared" word="scene" sides={scenes}>
        {(id) => <SceneHead rig={rig} id={id} actions={actions} />}
      </SoundTable>
      {rig.electrical.scenes.length === 0 && (
        <Typography variant="body2" sx={{ my: 1, color: 'text.secondary' }}>
          A scene is a set of pedals that are on together: the verse, the storm. Switch the board as
          it is to be, then keep it.
        </Typography>
      )}
      <Button
        size="small"
        onClick={() => actions.edit(keepScene(rig, `Scene ${rig.electrical.scenes.length + 1}`))}
      >
        Keep this as a scene
      </Button>
      <Places rig={rig} places={places} actions={actions} />
    </>
  );
});

interface PlacesProps extends Pick<Props, 'actions'> {
  readonly rig: Rig;
  readonly places: readonly SideFigures[];
}

function Places({ rig, places, actions }: PlacesProps) {
  return (
    <PanelGroup title="Where it is played">
      {rig.electrical.places.length > 0 ? (
        <SoundTable label="Places compared" word="place" sides={places}>
          {(id) => <Place rig={rig} id={id!} actions={actions} />}
        </SoundTable>
      ) : (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          At home the cables are short, on the big stage they are not. Lay them as they are at one
          place, then keep it.
        </Typography>
      )}
      <Button
        size="small"
        onClick={() =>
          actions.edit(keepPlace(rig, PLACES[rig.electrical.places.length] ?? 'another'))
        }
      >
        Keep these lengths as a place
      </Button>
    </PanelGroup>
  );
}

const PLACES = ['home', 'rehearsal', 'big stage'];

interface SoundTableProps {
  readonly label: string;
  readonly word: string;
  readonly sides: readonly SideFigures[];
  /** What stands at the head of a row. */
  readonly children: (id: string | null) => ReactNode;
}

function SoundTable({ label, word, sides, children }: SoundTableProps) {
  return (
    <Table aria-label={label}>
      <thead>
        <tr>
          <th>{word}</th>
          <th title="Treble against straight in, dB">treble</th>
          <th title="Level at 400 Hz, dB">level</th>
          <th title="Resonance, kHz">res.</th>
        </tr>
      </thead>
      <tbody>
        {sides.map(({ id, sound }) => (
          <tr key={id ?? 'now'}>
            <th scope="row">{children(id)}</th>
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
        ))}
      </tbody>
    </Table>
  );
}

const sayResonance = (resonance: Resonance): string =>
  resonance.kind === 'resonance' ? (resonance.frequencyHz / 1000).toFixed(2) : 'none';

/** A scene with the mark of its curve. */
function SceneHead({ rig, id, actions }: Omit<SideProps, 'id'> & { readonly id: string | null }) {
  const at = rig.electrical.scenes.findIndex((scene) => scene.id === id);
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
      {at < 0 ? <NowMark /> : <PinMark index={at} />}
      {id === null ? 'as it stands' : <Scene {...{ rig, id, actions }} />}
    </Box>
  );
}

interface SideProps {
  readonly rig: Rig;
  readonly id: string;
  readonly actions: PathActions;
}

function Scene({ rig, id, actions }: SideProps) {
  const scene = rig.electrical.scenes.find((one) => one.id === id);
  if (!scene) return null;
  return (
    <Named of="scene" name={scene.name} {...{ rig, id, actions }}>
      <SmallButton onClick={() => actions.edit(recallScene(rig, scene))}>recall</SmallButton>
    </Named>
  );
}

function Place({ rig, id, actions }: SideProps) {
  const place = rig.electrical.places.find((one) => one.id === id);
  if (!place) return null;
  return (
    <Named of="place" name={place.name} {...{ rig, id, actions }}>
      {placeNow(rig) === place ? (
        'here'
      ) : (
        <>
          <SmallButton onClick={() => actions.edit(goToPlace(rig, place))}>go</SmallButton>
          <SmallButton
            title="Let the cables be as long there as they are now"
            onClick={() => actions.edit(measureOutPlace(rig, id))}
          >
            set
          </SmallButton>
        </>
      )}
    </Named>
  );
}

interface NamedProps extends SideProps {
  readonly of: 'scene' | 'place';
  readonly name: string;
  readonly children: ReactNode;
}

function Named({ rig, id, of, name, actions, children }: NamedProps) {
  const word = of === 'scene' ? 'scene' : 'place';
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', columnGap: 0.25, flexWrap: 'wrap' }}>
      <NameField
        label={`Name of ${word} ${name}`}
        value={name}
        onChange={(to) => actions.edit({ kind: 'rename', target: { of, id }, to })}
        sx={{ fontSize: 13.5, width: 72, '& input': { py: '3px' } }}
      />
      {children}
      <IconButton
        size="small"
        aria-label={`Delete ${word} ${name}`}
        sx={{ p: '4px' }}
        onClick={() => actions.edit(removeFrom(rig, of === 'scene' ? 'scenes' : 'places', id))}
      >
        <DeleteOutlined sx={{ fontSize: 16 }} />
      </IconButton>
    </Box>
  );
}

const SmallButton = styled(Button)({ minWidth: 0, padding: '0 4px', fontSize: 13 });
