import {
  allDevices,
  findDevice,
  orderEdit,
  proposeOrder,
  rowOf,
  USUAL_CONVENTIONS,
  type Conventions,
  type Rig,
} from '@gullwind/core';
import { Box, Button, Checkbox, FormControlLabel, styled, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import type { BriefPartProps } from './briefPart';
import { Part } from './Part';

const CHOICES: readonly (readonly [keyof Conventions, string])[] = [
  ['timeInLoop', 'modulation, delay, reverb in the amp’s loop, if it is used'],
  ['modulationFirst', 'modulation before the drives'],
  ['volumeAfterDrives', 'passive volume after the drives'],
];

/** A usual order with the reason for each place: to be taken, changed, or left. */
export function OrderPart({ rig, edit }: BriefPartProps) {
  const [conventions, setConventions] = useState<Conventions>(USUAL_CONVENTIONS);
  const places = useMemo(() => proposeOrder(rig, conventions), [rig, conventions]);
  const isSame = isOrderNow(rig, places);
  if (places.length < 2) return null;
  return (
    <Part
      title="A usual order"
      hint="Other orders are a choice, not an error: move pedals above as you like."
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
        {CHOICES.map(([key, words]) => (
          <FormControlLabel
            key={key}
            label={<Typography variant="body2">{words}</Typography>}
            control={
              <Checkbox
                size="small"
                checked={conventions[key]}
                onChange={(_event, checked) => setConventions({ ...conventions, [key]: checked })}
              />
            }
          />
        ))}
      </Box>
      <Order aria-label="A usual order">
        {places.map(({ device, row, reason }) => (
          <li key={device}>
            <strong>{findDevice(rig, device)?.name}</strong>{' '}
            <span>
              {row === 'ampLoop' && 'In the amp’s loop. '}
              {reason}
            </span>
          </li>
        ))}
      </Order>
      <Button
        size="small"
        variant="outlined"
        disabled={isSame}
        onClick={() => edit(orderEdit(rig, places))}
        sx={{ mt: 0.5 }}
      >
        {isSame ? 'They stand so' : 'Put them so'}
      </Button>
    </Part>
  );
}

function isOrderNow(rig: Rig, places: ReturnType<typeof proposeOrder>): boolean {
  const wanted = (row: 'main' | 'ampLoop') =>
    places.filter((place) => place.row === row).map(({ device }) => device);
  const now = (row: 'main' | 'ampLoop') =>
    allDevices(rig)
      .filter(
        ({ id }) => rowOf(rig, id)?.at.kind === row && places.some(({ device }) => device === id),
      )
      .map(({ id }) => id);
  return (['main', 'ampLoop'] as const).every((row) => wanted(row).join() === now(row).join());
}

const Order = styled('ol')(({ theme }) => ({
  margin: 0,
  paddingLeft: 30,
  fontSize: 14,
  lineHeight: 1.5,
  '& strong': { fontWeight: 600, marginRight: 4 },
  '& span': { color: theme.chart.faint },
}));
