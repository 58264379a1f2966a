import { conductorM, findLead, formatQuantity, LEAD_CLASSES, nameLead } from '@gullwind/core';
import { Button, FormControlLabel, Switch, Typography } from '@mui/material';
import type { PanelProps } from './panelProps';
import { LeadTools } from './LeadTools';
import { PanelGroup, PanelHead } from './PanelHead';
import { PartFields } from './PartFields';

export function LeadPanel(props: PanelProps & { readonly id: string; readonly rowId: string }) {
  const { rig, units, actions, onSwap, id, rowId } = props;
  const lead = findLead(rig, id)!;
  const target = { of: 'lead', id } as const;
  const kind = `${LEAD_CLASSES[lead.leadClass].label} lead`;
  const shared = { part: lead, of: 'lead', id, units, assumedFrom: kind, actions } as const;
  const totalF =
    lead.cPerMF.value * conductorM(lead) +
    2 * lead.plugF.value +
    (lead.added ? lead.addedF.value : 0);
  return (
    <>
      <PanelHead
        name={lead.name}
        label="Name of the lead"
        kind={`${nameLead(rig, id)} · ${kind}`}
        onRename={(to) => actions.edit({ kind: 'rename', target, to })}
      >
        <Button size="small" onClick={actions.bufferBehind}>
          Buffer behind it
        </Button>
        <Button size="small" onClick={() => onSwap('lead')}>
          Swap
        </Button>
      </PanelHead>
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
        <FormControlLabel
          label="A capacitor switched in"
          slotProps={{ typography: { variant: 'body2' } }}
          control={
            <Switch
              size="small"
              checked={lead.added}
              onChange={(event) =>
                actions.edit({ kind: 'choose', target, field: 'added', to: event.target.checked })
              }
            />
          }
        />
        {lead.added && <PartFields {...shared} fields={[['addedF', 'Its capacitance']]} />}
        <Typography variant="body2" sx={{ mt: 0.5, color: 'text.secondary' }}>
          With both plugs: {formatQuantity(totalF, 'capacitance', units)}
        </Typography>
      </PanelGroup>
      <LeadTools rig={rig} rowId={rowId} id={id} units={units} actions={actions} />
    </>
  );
}
