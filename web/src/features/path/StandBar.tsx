import {
  keepScene,
  nameRow,
  routeRows,
  placeNow,
  goToPlace,
  recallScene,
  type Rig,
} from '@gullwind/core';
import PowerSettingsNew from '@mui/icons-material/PowerSettingsNew';
import { Box, IconButton, NativeSelect, Tooltip } from '@mui/material';
import { memo } from 'react';
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
export const StandBar = memo(StandChoices, hasSameChoices);

function StandChoices({ rig, rowId, actions }: Props) {
  const scene = rig.electrical.scenes.find(({ state }) => isSameState(state, rig.state));
  const ways = routeRows(rig);
  const { playing } = rig.state;
  const powered = rig.state.unpowered.length === 0;
  const choices =
    1 +
    [rig.electrical.places.length > 0, rig.electrical.guitars.length > 1, ways.length > 1].filter(
      Boolean,
    ).length;
  const goTo = (id: string) =>
    actions.edit(
      goToPlace(
        rig,
        rig.electrical.places.find((one) => one.id === id)!,
      ),
    );
  const chooseScene = (to: string) => {
    if (to === KEEP) actions.edit(keepScene(rig, `Scene ${rig.electrical.scenes.length + 1}`));
    if (to === ALL_OFF) actions.allOff();
    const chosen = rig.electrical.scenes.find(({ id }) => id === to);
    if (chosen) actions.edit(recallScene(rig, chosen));
  };
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        flexShrink: 0,
        '& > .MuiInputBase-root': { width: choices > 2 ? 82 : 112 },
      }}
    >
      <Choice label="Scene" value={scene?.id ?? ''} onChange={chooseScene}>
        <option value="" disabled>
          {rig.electrical.scenes.length === 0 ? 'no scenes' : 'no scene'}
        </option>
        {rig.electrical.scenes.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
        <option value={ALL_OFF}>everything off</option>
        <option value={KEEP}>keep this as a scene</option>
      </Choice>
      {rig.electrical.places.length > 0 && (
        <Choice label="Where it is played" value={placeNow(rig)?.id ?? ''} onChange={goTo}>
          <option value="" disabled>
            elsewhere
          </option>
          {rig.electrical.places.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Choice>
      )}
      {rig.electrical.guitars.length > 1 && (
        <Choice
          label="Guitar that plays"
          value={playing ?? NOBODY}
          onChange={(to) => actions.play(to === NOBODY ? null : to)}
        >
          {rig.electrical.guitars.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
          <option value={NOBODY}>none of them</option>
        </Choice>
      )}
      {ways.length > 1 && (
        <Choice
          label="Way that is looked at"
          value={rowId}
          onChange={(to) => actions.lookAtWay(to === ways[0]!.id ? null : to)}
        >
          {ways.map((row) => (
            <option key={row.id} value={row.id}>
              {nameRow(rig, row)}
            </option>
          ))}
        </Choice>
      )}
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
    </Box>
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
    one.electrical.places === other.electrical.places &&
    placeNow(one) === placeNow(other) &&
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

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly children: React.ReactNode;
}

function Choice({ label, value, onChange, children }: ChoiceProps) {
  return (
    <NativeSelect
      value={value}
      onChange={(event) => onChange(event.target.value)}
      inputProps={{ 'aria-label': label, title: label }}
      sx={{ fontSize: 14, '& select': { py: '2px', textOverflow: 'ellipsis' } }}
    >
      {children}
    </NativeSelect>
  );
}
