import { formatQuantity, LEAD_CLASSES, nameLead } from '@gullwind/core';
import { Button, Typography } from '@mui/material';
import type { PanelProps } from './panelProps';
import { LengthBudgets } from './LengthBudgets';
import { PanelGroup, PanelHead } from './PanelHead';
import { PartFields } from './PartFields';

export function LeadPanel({
  rig,
  units,
  actions,
  onSwap,
  index,
}: PanelProps & { readonly index: number }) {
  const lead = rig.leads[index]!;
  const target = { of: 'lead', id: lead.id } as const;
  const kind = `${LEAD_CLASSES[lead.leadClass].label} lead`;
  const shared = {
    part: lead,
    of: 'lead',
    id: lead.id,
    units,
    assumedFrom: kind,
    actions,
  } as const;
  const totalF = lead.cPerMF.value * lead.lengthM.value + 2 * lead.plugF.value;
  return (
    <>
      <PanelHead
        name={lead.name}
        label="Name of the lead"
        kind={`${nameLead(rig, index)} · ${kind}`}
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
            ['lengthM', 'Length'],
            ['cPerMF', 'Capacitance'],
            ['plugF', 'Each plug'],
            ['rPerMOhm', 'Resistance'],
            ['lPerMH', 'Inductance'],
          ]}
        />
        <Typography variant="body2" sx={{ mt: 0.5, color: 'text.secondary' }}>
          With both plugs: {formatQuantity(totalF, 'capacitance', units)}
        </Typography>
      </PanelGroup>
      <LengthBudgets rig={rig} index={index} units={units} />
    </>
  );
}
