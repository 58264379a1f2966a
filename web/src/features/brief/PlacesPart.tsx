import {
  allCables,
  editBrief,
  formatQuantity,
  FIELD_RULES,
  isPatch,
  keepPlace,
  nameCable,
  removeFrom,
  setLengthAt,
  goToPlace,
  type Cable,
  type Sourced,
} from '@gullwind/core';
import Add from '@mui/icons-material/Add';
import DeleteOutline from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, styled } from '@mui/material';
import { NameField } from '../../ui/NameField';
import { QuantityField } from '../../ui/QuantityField';
import { PluggedInto } from '../picker';
import type { BriefPartProps } from './briefPart';
import { Part } from './Part';

const USUAL_PLACES = ['home', 'rehearsal', 'the big stage'];
const RULE = FIELD_RULES.cable.lengthM;
const NAME_STYLE = { fontSize: 14, fontWeight: 600, width: '100%' } as const;

/** How long the long cables are now, at each place, and how short they may get. */
export function PlacesPart({ rig, units, edit }: BriefPartProps) {
  const { destinations, ownDestination } = rig.electrical;
  const cables = allCables(rig).filter((cable) => !isPatch(cable));
  const addPlace = () => {
    const taken = rig.electrical.places.map(({ name }) => name);
    const name = USUAL_PLACES.find((usual) => !taken.includes(usual));
    edit(keepPlace(rig, name ?? `place ${rig.electrical.places.length + 1}`));
  };
  const field = (label: string, value: Sourced, onChange: (to: Sourced) => void) => (
    <QuantityField
      isBare
      rule={RULE}
      label={label}
      value={value}
      units={units}
      assumedFrom="cables as they are laid"
      onChange={onChange}
    />
  );
  return (
    <Part
      title="Cables and places"
      hint="How far it is. “Reaches” is the shortest that would do; slanted, nobody has said so yet."
    >
      <Box sx={{ overflowX: 'auto' }}>
        <Grid>
          <thead>
            <tr>
              <th scope="col">cable</th>
              <th scope="col">now</th>
              <th scope="col">reaches</th>
              {rig.electrical.places.map((place) => (
                <th key={place.id} scope="col">
                  <Box sx={{ display: 'flex', alignItems: 'center' }}>
                    <NameField
                      label="Name of the place"
                      value={place.name}
                      onChange={(to) =>
                        edit({ kind: 'rename', target: { of: 'place', id: place.id }, to })
                      }
                      sx={NAME_STYLE}
                    />
                    <IconButton
                      size="small"
                      aria-label={`Delete ${place.name}`}
                      onClick={() => edit(removeFrom(rig, 'places', place.id))}
                    >
                      <DeleteOutline sx={{ fontSize: 16 }} />
                    </IconButton>
                  </Box>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {cables.map((cable) => {
              const name = nameCable(rig, cable.id);
              if (cable.lengthM.from === 'laid')
                return (
                  <tr key={cable.id}>
                    <th scope="row">{name}</th>
                    <td>{formatQuantity(cable.lengthM.value, 'length', units)}</td>
                    <td colSpan={1 + rig.electrical.places.length}>
                      as the board says, everywhere
                    </td>
                  </tr>
                );
              return (
                <tr key={cable.id}>
                  <th scope="row">{name}</th>
                  <td>
                    {field(`Length of ${name}`, cable.lengthM, (to) => edit(lengthOf(cable, to)))}
                  </td>
                  <td>
                    {field(
                      `Shortest that reaches, ${name}`,
                      rig.texts.brief.reach[cable.id] ?? {
                        value: cable.lengthM.value,
                        from: 'assumed',
                      },
                      (to) =>
                        edit(
                          editBrief(rig, { reach: { ...rig.texts.brief.reach, [cable.id]: to } }),
                        ),
                    )}
                  </td>
                  {rig.electrical.places.map((place) => (
                    <td key={place.id}>
                      {field(
                        `${place.name}, ${name}`,
                        place.lengths[cable.id] ?? cable.lengthM,
                        (to) => edit(setLengthAt(rig, place.id, cable.id, to)),
                      )}
                    </td>
                  ))}
                </tr>
              );
            })}
            {rig.electrical.places.length > 0 && (
              <tr>
                <th scope="row">plugged into</th>
                <td colSpan={2}>{(ownDestination ?? destinations[0]!).name}</td>
                {rig.electrical.places.map((place) => (
                  <td key={place.id}>
                    <PluggedInto rig={rig} place={place} edit={edit} />
                  </td>
                ))}
              </tr>
            )}
          </tbody>
        </Grid>
      </Box>
      <Button size="small" startIcon={<Add />} onClick={addPlace}>
        A place it is played at
      </Button>
      {rig.electrical.places.map((place) => (
        <Button
          key={place.id}
          size="small"
          color="inherit"
          onClick={() => edit(goToPlace(rig, place))}
        >
          Lay it as at {place.name}
        </Button>
      ))}
    </Part>
  );
}

const lengthOf = ({ id }: Cable, to: Sourced) =>
  ({ kind: 'set', target: { of: 'cable', id }, field: 'lengthM', to }) as const;

const Grid = styled('table')(({ theme }) => ({
  borderCollapse: 'collapse',
  fontSize: 14,
  '& th, & td': { textAlign: 'left', padding: '2px 14px 2px 0', fontWeight: 400, minWidth: 84 },
  '& thead th': { color: theme.chart.faint, fontSize: 13 },
}));
