import { findLead, nameLead } from '@gullwind/core';
import { Button } from '@mui/material';
import { LeadFields, sayLead } from '../../../ui/parts/LeadFields';
import { memo } from 'react';
import type { PanelProps } from './panelProps';
import { LeadTools } from './LeadTools';
import { PanelHead } from './PanelHead';

export function LeadPanel(props: PanelProps & { readonly id: string; readonly rowId: string }) {
  const { rig, units, actions, onSwap, id, rowId } = props;
  const lead = findLead(rig, id)!;
  return (
    <>
      <Head
        name={lead.name}
        gear={lead.gear}
        kind={`${nameLead(rig, id)} · ${sayLead(lead)}`}
        {...{ id, actions, onSwap }}
      />
      <LeadFields lead={lead} units={units} actions={actions} />
      <LeadTools rig={rig} rowId={rowId} id={id} units={units} actions={actions} />
    </>
  );
}

interface HeadProps extends Pick<PanelProps, 'actions' | 'onSwap'> {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly gear: string | undefined;
}

/** Drawn again only when the lead is another one, not while it is drawn longer. */
const Head = memo(function Head({ id, name, kind, gear, actions, onSwap }: HeadProps) {
  const target = { of: 'lead', id } as const;
  return (
    <PanelHead
      name={name}
      label="Name of the lead"
      kind={kind}
      gear={gear}
      onRename={(to) => actions.edit({ kind: 'rename', target, to })}
    >
      <Button size="small" onClick={actions.bufferBehind}>
        Buffer behind it
      </Button>
      <Button size="small" onClick={() => onSwap('lead')}>
        Swap
      </Button>
    </PanelHead>
  );
});
