import {
  allLeads,
  editBrief,
  FIELD_RULES,
  isPatch,
  keepSituation,
  nameLead,
  removeFrom,
  setLengthAt,
  standAt,
  type Lead,
  type Sourced,
} from '@gullwind/core';
import Add from '@mui/icons-material/Add';
import DeleteOutline from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, styled } from '@mui/material';
import { NameField } from '../../ui/NameField';
import { QuantityField } from '../../ui/QuantityField';
import type { BriefPartProps } from './briefPart';
import { Part } from './Part';

const USUAL_PLACES = ['home', 'rehearsal', 'the big stage'];
const RULE = FIELD_RULES.lead.lengthM;
const NAME_STYLE = { fontSize: 14, fontWeight: 600, width: '100%' } as const;

/** How long the long leads are now, at each place, and how short they may get. */
export function PlacesPart({ rig, units, edit }: BriefPartProps) {
  const leads = allLeads(rig).filter((lead) => !isPatch(lead));
  const addPlace = () => {
    const taken = rig.situations.map(({ name }) => name);
    const name = USUAL_PLACES.find((usual) => !taken.includes(usual));
    edit(keepSituation(rig, name ?? `place ${rig.situations.length + 1}`));
  };
  const field = (label: string, value: Sourced, onChange: (to: Sourced) => void) => (
    <QuantityField
      isBare
      rule={RULE}
      label={label}
      value={value}
      units={units}
      assumedFrom="leads as they are laid"
      onChange={onChange}
    />
  );
  return (
    <Part
      title="Leads and places"
      hint="How far it is. “Reaches” is the shortest that would do; slanted, nobody has said so yet."
    >
      <Box sx={{ overflowX: 'auto' }}>
        <Grid>
          <thead>
            <tr>
              <th scope="col">lead</th>
              <th scope="col">now</th>
              <th scope="col">reaches</th>
              {rig.situations.map((place) => (
                <th key={place.id} scope="col">
                  <Box sx={{ display: 'flex', alignItems: 'center' }}>
                    <NameField
                      label="Name of the place"
                      value={place.name}
                      onChange={(to) =>
                        edit({ kind: 'rename', target: { of: 'situation', id: place.id }, to })
                      }
                      sx={NAME_STYLE}
                    />
                    <IconButton
                      size="small"
                      aria-label={`Take ${place.name} off`}
                      onClick={() => edit(removeFrom(rig, 'situations', place.id))}
                    >
                      <DeleteOutline sx={{ fontSize: 16 }} />
                    </IconButton>
                  </Box>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {leads.map((lead) => {
              const name = nameLead(rig, lead.id);
              return (
                <tr key={lead.id}>
                  <th scope="row">{name}</th>
                  <td>
                    {field(`Length of ${name}`, lead.lengthM, (to) => edit(lengthOf(lead, to)))}
                  </td>
                  <td>
                    {field(
                      `Shortest that reaches, ${name}`,
                      rig.brief.reach[lead.id] ?? { value: lead.lengthM.value, from: 'assumed' },
                      (to) =>
                        edit(editBrief(rig, { reach: { ...rig.brief.reach, [lead.id]: to } })),
                    )}
                  </td>
                  {rig.situations.map((place) => (
                    <td key={place.id}>
                      {field(
                        `${place.name}, ${name}`,
                        place.lengths[lead.id] ?? lead.lengthM,
                        (to) => edit(setLengthAt(rig, place.id, lead.id, to)),
                      )}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </Grid>
      </Box>
      <Button size="small" startIcon={<Add />} onClick={addPlace}>
        A place it is played at
      </Button>
      {rig.situations.map((place) => (
        <Button
          key={place.id}
          size="small"
          color="inherit"
          onClick={() => edit(standAt(rig, place))}
        >
          Lay it as at {place.name}
        </Button>
      ))}
    </Part>
  );
}

const lengthOf = ({ id }: Lead, to: Sourced) =>
  ({ kind: 'set', target: { of: 'lead', id }, field: 'lengthM', to }) as const;

const Grid = styled('table')(({ theme }) => ({
  borderCollapse: 'collapse',
  fontSize: 14,
  '& th, & td': { textAlign: 'left', padding: '2px 14px 2px 0', fontWeight: 400, minWidth: 84 },
  '& thead th': { color: theme.chart.faint, fontSize: 13 },
}));
