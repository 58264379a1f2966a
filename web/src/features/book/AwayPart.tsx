import {
  awayListOf,
  CASE_MASS,
  formatQuantity,
  formatSignedDb,
  keepPlace,
  mainRow,
  setCaseMass,
  type Chain,
  type SideFigures,
} from '@gullwind/core';
import Add from '@mui/icons-material/Add';
import { Box, Button, Typography } from '@mui/material';
import { useMemo } from 'react';
import { QuantityField } from '../../ui/QuantityField';
import { AT_REST_MS, useLatest } from '../../workers/useLatest';
import { questionsWorker } from '../../workers/workers';
import { PluggedInto } from '../picker';
import type { BookProps } from './bookProps';
import { Leaf } from './Leaf';
import { PlainTable } from './PlainTable';

const ask = (rig: Chain): Promise<readonly SideFigures[]> =>
  questionsWorker().measurePlaces(rig, mainRow(rig).id);

/** What flies, which volts it wants, and what waits at the other end. */
export function AwayPart(props: BookProps) {
  const { rig, units, onEdit } = props;
  const list = useMemo(() => awayListOf(rig), [rig]);
  const kilograms = (kg: number) => formatQuantity(kg, 'mass', units);
  return (
    <Leaf title="Away" hint="What is carried, what it wants of the mains, and what is hired where.">
      <Box sx={{ maxWidth: 520 }}>
        <PlainTable>
          <thead>
            <tr>
              <th scope="col">what flies</th>
              <th scope="col">mass</th>
            </tr>
          </thead>
          <tbody>
            {list.items.map(({ name, massKg }, i) => (
              <tr key={i}>
                <td>{name}</td>
                <td>
                  {i === 0 ? (
                    <QuantityField
                      isBare
                      rule={CASE_MASS}
                      label={CASE_MASS.label}
                      value={massKg}
                      units={units}
                      assumedFrom="cases of one board"
                      onChange={(to) => onEdit(setCaseMass(to))}
                    />
                  ) : (
                    `${kilograms(massKg.value)}${massKg.from === 'assumed' ? ', assumed' : ''}`
                  )}
                </td>
              </tr>
            ))}
            <tr>
              <td>
                <strong>all of it, without cables</strong>
              </td>
              <td>
                <strong data-testid="mass">{kilograms(list.totalKg)}</strong>
              </td>
            </tr>
          </tbody>
        </PlainTable>
      </Box>
      {list.assumedKg > 0 && (
        <Typography variant="body2">{`${kilograms(list.assumedKg)} of it nobody has weighed: masses are changed in Gear and on Board.`}</Typography>
      )}
      {list.supplies.map(({ name, outletV }) => (
        <Typography key={name} sx={{ mt: 0.5 }}>
          {`${name} gives ${outletV.map((v) => formatQuantity(v, 'voltage', units)).join(', ')}. Which mains it takes is on its plate: read it before it is plugged in abroad.`}
        </Typography>
      ))}
      {list.batteries.length > 0 && (
        <Typography
          sx={{ mt: 0.5 }}
        >{`Batteries, which airlines count: ${list.batteries.join(', ')}.`}</Typography>
      )}
      <Places {...props} />
    </Leaf>
  );
}

/** What stands at each place, and what comes of it there. */
function Places({ rig, onEdit }: BookProps) {
  const sounds = useLatest(rig as Chain, ask, AT_REST_MS);
  const { places } = rig.electrical;
  return (
    <Box sx={{ mt: 2.5, maxWidth: 620 }}>
      <Typography component="h3" variant="h2">
        Places, and what is hired there
      </Typography>
      {places.length > 0 && (
        <PlainTable>
          <thead>
            <tr>
              <th scope="col">place</th>
              <th scope="col">plugged into</th>
              <th scope="col">treble there</th>
            </tr>
          </thead>
          <tbody>
            {places.map((place) => {
              const sound = sounds?.find(({ id }) => id === place.id)?.sound;
              return (
                <tr key={place.id} data-place={place.id}>
                  <td>{place.name}</td>
                  <td>
                    <PluggedInto rig={rig} place={place} edit={onEdit} />
                  </td>
                  <td>{sound ? `${formatSignedDb(sound.figures.trebleDb, 2)} dB` : '–'}</td>
                </tr>
              );
            })}
          </tbody>
        </PlainTable>
      )}
      <Button
        size="small"
        startIcon={<Add />}
        onClick={() => onEdit(keepPlace(rig, `place ${places.length + 1}`))}
      >
        A place it is played at
      </Button>
    </Box>
  );
}
