import { keepScene, nameRow, routeRows, recallScene, type Rig, type Row } from '@gullwind/core';
import PowerSettingsNew from '@mui/icons-material/PowerSettingsNew';
import { Box, IconButton, Tooltip } from '@mui/material';
import { memo } from 'react';
import { BarChoice, NamedOptions } from '../../ui/BarChoice';
import type { PathActions } from './usePathActions';

interface Props {
  readonly rig: Rig;
  readonly rowId: string;
  readonly actions: PathActions;
}

const KEEP = 'keep';
const ALL_OFF = 'off';
const NOBODY = 'nobody';

/** How the rig stands: its scene, who plays, which end is looked at, whether there is power. */
export const StateBar = memo(StateChoices, hasSameChoices);

function StateChoices(props: Props) {
  const { rig } = props;
  const { guitars } = rig.electrical;
  const ways = routeRows(rig);
  const shown = [guitars.length > 1, ways.length > 1];
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        flexShrink: 0,
        '& > .MuiInputBase-root': { width: shown.some(Boolean) ? 82 : 104 },
      }}
    >
      <SceneChoice {...props} />
      {guitars.length > 1 && <GuitarChoice {...props} />}
      {ways.length > 1 && <WayChoice {...props} ways={ways} />}
      <PowerButton {...props} />
    </Box>
  );
}

function SceneChoice({ rig, actions }: Props) {
  const { scenes } = rig.electrical;
  const scene = scenes.find(({ state }) => isSameState(state, rig.state));
  const choose = (to: string) => {
    if (to === KEEP) actions.edit(keepScene(rig, `Scene ${scenes.length + 1}`));
    if (to === ALL_OFF) actions.allOff();
    const chosen = scenes.find(({ id }) => id === to);
    if (chosen) actions.edit(recallScene(rig, chosen));
  };
  return (
    <BarChoice label="Scene" value={scene?.id ?? ''} onChange={choose}>
      <option value="" disabled>
        {scenes.length === 0 ? 'no scenes' : 'no scene'}
      </option>
      <NamedOptions things={scenes} />
      <option value={ALL_OFF}>everything off</option>
      <option value={KEEP}>keep this as a scene</option>
    </BarChoice>
  );
}

function GuitarChoice({ rig, actions }: Props) {
  return (
    <BarChoice
      label="Guitar that plays"
      value={rig.state.playing ?? NOBODY}
      onChange={(to) => actions.play(to === NOBODY ? null : to)}
    >
      <NamedOptions things={rig.electrical.guitars} />
      <option value={NOBODY}>none of them</option>
    </BarChoice>
  );
}

function WayChoice({ rig, rowId, ways, actions }: Props & { readonly ways: readonly Row[] }) {
  return (
    <BarChoice
      label="Way that is looked at"
      value={rowId}
      onChange={(to) => actions.lookAtWay(to === ways[0]!.id ? null : to)}
    >
      <NamedOptions things={ways.map((row) => ({ id: row.id, name: nameRow(rig, row) }))} />
    </BarChoice>
  );
}

function PowerButton({ rig, actions }: Props) {
  const powered = rig.state.unpowered.length === 0;
  return (
    <Tooltip title={powered ? 'What if the power fails?' : 'Power back on'}>
      <IconButton
        size="small"
        aria-label="Power of the board"
        aria-pressed={powered}
        onClick={() => actions.power(!powered)}
        sx={{ color: powered ? 'inherit' : 'warning.main' }}
      >
        <PowerSettingsNew fontSize="small" />
      </IconButton>
    </Tooltip>
  );
}

/** What it shows of a rig is the same: a cable that is drawn longer does not concern it. */
function hasSameChoices(a: Props, b: Props): boolean {
  const { rig: one } = a;
  const { rig: other } = b;
  return (
    a.rowId === b.rowId &&
    a.actions === b.actions &&
    one.electrical.scenes === other.electrical.scenes &&
    one.state === other.state &&
    one.electrical.guitars === other.electrical.guitars &&
    one.electrical.destinations === other.electrical.destinations &&
    one.electrical.rows.length === other.electrical.rows.length &&
    one.electrical.rows.every(({ at, devices }, i) => {
      const row = other.electrical.rows[i]!;
      return at === row.at && devices === row.devices;
    })
  );
}

function isSameState(a: Rig['state'], b: Rig['state']): boolean {
  const on = ({ positions }: Rig['state']) =>
    Object.keys(positions)
      .filter((id) => positions[id])
      .sort()
      .join();
  return on(a) === on(b) && a.playing === b.playing && a.unpowered.join() === b.unpowered.join();
}
