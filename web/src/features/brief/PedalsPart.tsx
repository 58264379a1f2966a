import {
  DEVICE_CLASSES,
  editBrief,
  mainRow,
  nameRow,
  removeDevice,
  type Device,
  type PedalUse,
  type Rig,
  type Row,
} from '@gullwind/core';
import ArrowDownward from '@mui/icons-material/ArrowDownward';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import DeleteOutline from '@mui/icons-material/DeleteOutlined';
import Lock from '@mui/icons-material/Lock';
import LockOpenOutlined from '@mui/icons-material/LockOpenOutlined';
import { Box, IconButton, NativeSelect, styled, Typography } from '@mui/material';
import { AddPedals } from './AddPedals';
import type { BriefPartProps } from './briefPart';
import { Part } from './Part';

const USES: readonly (readonly [PedalUse | '', string])[] = [
  ['', 'not given'],
  ['leftOn', 'left on'],
  ['switched', 'switched mid-song'],
  ['nowAndThen', 'now and then'],
];

/** Which pedals there are, in the order of the signal, and how each is used. */
export function PedalsPart({ rig, units, edit }: BriefPartProps) {
  const rows = rig.electrical.rows.filter(
    ({ at, devices }) => at.kind !== 'main' && devices.length > 0,
  );
  return (
    <Part title="Pedals" hint="in the order of the signal">
      <AddPedals rig={rig} units={units} edit={edit} />
      <PedalRow rig={rig} row={mainRow(rig)} edit={edit} />
      {rows.map((row) => (
        <Box key={row.id}>
          <Typography variant="caption" sx={{ color: 'text.secondary' }}>
            {nameRow(rig, row)}
          </Typography>
          <PedalRow rig={rig} row={row} edit={edit} />
        </Box>
      ))}
    </Part>
  );
}

function PedalRow({ rig, row, edit }: Omit<BriefPartProps, 'units'> & { readonly row: Row }) {
  return (
    <List aria-label={nameRow(rig, row)}>
      {row.devices.map((device, i) => (
        <Pedal key={device.id} rig={rig} row={row} device={device} at={i} edit={edit} />
      ))}
    </List>
  );
}

interface PedalProps {
  readonly rig: Rig;
  readonly row: Row;
  readonly device: Device;
  readonly at: number;
  readonly edit: BriefPartProps['edit'];
}

function Pedal({ rig, row, device, at, edit }: PedalProps) {
  const { id, name, deviceClass } = device;
  const { keptDevices } = rig.texts.brief;
  const isKept = keptDevices.includes(id);
  const keep = () =>
    edit(
      editBrief(rig, {
        keptDevices: isKept ? keptDevices.filter((kept) => kept !== id) : [...keptDevices, id],
      }),
    );
  const move = (to: number) => edit({ kind: 'move', row: row.id, from: at, to });
  const label = DEVICE_CLASSES[deviceClass].label;
  return (
    <li>
      <span>{at + 1}</span>
      <span title={name}>
        {name} {name !== label && <em>{label}</em>}
      </span>
      <UseChoice rig={rig} device={device} edit={edit} />
      <Box sx={{ whiteSpace: 'nowrap' }}>
        <Small label={`${name} earlier`} isOff={at === 0} onClick={() => move(at - 1)}>
          <ArrowUpward fontSize="inherit" />
        </Small>
        <Small
          label={`${name} later`}
          isOff={at === row.devices.length - 1}
          onClick={() => move(at + 1)}
        >
          <ArrowDownward fontSize="inherit" />
        </Small>
        <Small
          label={isKept ? `${name} may move` : `${name} stays in its place`}
          isPressed={isKept}
          onClick={keep}
        >
          <LockMark isKept={isKept} />
        </Small>
        <Small label={`Delete ${name}`} onClick={() => edit(removeDevice(rig, id))}>
          <DeleteOutline fontSize="inherit" />
        </Small>
      </Box>
    </li>
  );
}

const LockMark = ({ isKept }: { readonly isKept: boolean }) =>
  isKept ? <Lock fontSize="inherit" color="primary" /> : <LockOpenOutlined fontSize="inherit" />;

/** How a pedal is used, where the player says so. */
function UseChoice({ rig, device, edit }: Pick<PedalProps, 'rig' | 'device' | 'edit'>) {
  const { id, name } = device;
  const { uses } = rig.texts.brief;
  const use = (to: string) => {
    const { [id]: _, ...rest } = uses;
    edit(editBrief(rig, { uses: to === '' ? rest : { ...rest, [id]: to as PedalUse } }));
  };
  return (
    <NativeSelect
      value={uses[id] ?? ''}
      onChange={(event) => use(event.target.value)}
      inputProps={{ 'aria-label': `How ${name} is used` }}
      sx={{ fontSize: 14 }}
    >
      {USES.map(([value, words]) => (
        <option key={value} value={value}>
          {words}
        </option>
      ))}
    </NativeSelect>
  );
}

interface SmallProps {
  readonly label: string;
  readonly isOff?: boolean;
  readonly isPressed?: boolean;
  readonly onClick: () => void;
  readonly children: React.ReactNode;
}

function Small({ label, isOff = false, isPressed, onClick, children }: SmallProps) {
  return (
    <IconButton
      size="small"
      color="inherit"
      aria-label={label}
      title={label}
      aria-pressed={isPressed}
      disabled={isOff}
      onClick={onClick}
      sx={{ fontSize: 17 }}
    >
      {children}
    </IconButton>
  );
}

const List = styled('ol')(({ theme }) => ({
  listStyle: 'none',
  margin: 0,
  padding: 0,
  '& li': {
    display: 'grid',
    gridTemplateColumns: '24px minmax(0, 1fr) 152px auto',
    alignItems: 'center',
    gap: 6,
    borderTop: `1px solid ${theme.chart.grid}`,
    fontSize: 15,
    minHeight: 32,
  },
  '& li > span': { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' },
  '& li > span:first-of-type': { color: theme.chart.faint, textAlign: 'right', paddingRight: 6 },
  '& em': { fontStyle: 'normal', color: theme.chart.faint, fontSize: 13 },
}));
