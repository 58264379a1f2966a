import { conductorM, formatQuantity, LEAD_CLASSES, type Lead } from '@gullwind/core';
import { FormControlLabel, Switch, Typography } from '@mui/material';
import { memo } from 'react';
import type { FieldsProps } from './partActions';
import { PanelGroup } from './PanelGroup';
import { PartFields } from './PartFields';

export const sayLead = ({ leadClass }: Lead): string => `${LEAD_CLASSES[leadClass].label} lead`;

/** Length, and what a metre of it is. */
export function LeadFields({ lead, units, actions }: FieldsProps & { readonly lead: Lead }) {
  const { id } = lead;
  const shared = {
    part: lead,
    of: 'lead',
    id,
    units,
    assumedFrom: sayLead(lead),
    actions,
  } as const;
  const totalF =
    lead.cPerMF.value * conductorM(lead) +
    2 * lead.plugF.value +
    (lead.added ? lead.addedF.value : 0);
  return (
    <>
      <PanelGroup title="Lead">
        <PartFields
          {...shared}
          fields={[
            ['lengthM', lead.coil.value > 1 ? 'Reach' : 'Length'],
            ['cPerMF', 'Capacitance'],
            ['plugF', 'Each plug'],
            ['rPerMOhm', 'Resistance'],
            ['lPerMH', 'Inductance'],
            ['coil', 'Conductor per reach'],
          ]}
        />
        <AddedSwitch id={id} added={lead.added} actions={actions} />
        {lead.added && <PartFields {...shared} fields={[['addedF', 'Its capacitance']]} />}
        <Typography variant="body2" sx={{ mt: 0.5, color: 'text.secondary' }}>
          With both plugs: {formatQuantity(totalF, 'capacitance', units)}
        </Typography>
      </PanelGroup>
    </>
  );
}

/** Drawn again only when it is switched. */
const AddedSwitch = memo(function AddedSwitch({
  id,
  added,
  actions,
}: Pick<FieldsProps, 'actions'> & { readonly id: string; readonly added: boolean }) {
  const target = { of: 'lead', id } as const;
  return (
    <FormControlLabel
      label="A capacitor switched in"
      slotProps={{ typography: { variant: 'body2' } }}
      control={
        <Switch
          size="small"
          checked={added}
          onChange={(event) =>
            actions.edit({ kind: 'choose', target, field: 'added', to: event.target.checked })
          }
        />
      }
    />
  );
});
