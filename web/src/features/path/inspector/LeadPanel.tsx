import { findLead, nameLead } from '@gullwind/core';
import { Button } from '@mui/material';
import { LeadFields, sayLead } from '../../../ui/parts/LeadFields';
import type { PanelProps } from './panelProps';
import { LeadTools } from './LeadTools';
import { PanelHead } from './PanelHead';

export function LeadPanel(props: PanelProps & { readonly id: string; readonly rowId: string }) {
  const { rig, units, actions, onSwap, id, rowId } = props;
  const lead = findLead(rig, id)!;
  const target = { of: 'lead', id } as const;
  return (
    <>
      <PanelHead
        name={lead.name}
        label="Name of the lead"
        kind={`${nameLead(rig, id)} · ${sayLead(lead)}`}
        onRename={(to) => actions.edit({ kind: 'rename', target, to })}
      >
        <Button size="small" onClick={actions.bufferBehind}>
          Buffer behind it
        </Button>
        <Button size="small" onClick={() => onSwap('lead')}>
          Swap
        </Button>
      </PanelHead>
      <LeadFields lead={lead} units={units} actions={actions} />
      <LeadTools rig={rig} rowId={rowId} id={id} units={units} actions={actions} />
    </>
  );
}
