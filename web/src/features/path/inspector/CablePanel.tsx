import { findCable, nameCable } from '@gullwind/core';
import { Button } from '@mui/material';
import { CableFields, sayCable } from '../../../ui/parts/CableFields';
import { memo } from 'react';
import type { PanelProps } from './panelProps';
import { CableTools } from './CableTools';
import { PanelHead } from './PanelHead';

export function CablePanel(props: PanelProps & { readonly id: string; readonly rowId: string }) {
  const { rig, units, actions, onSwap, id, rowId } = props;
  const cable = findCable(rig, id)!;
  return (
    <>
      <Head
        name={cable.name}
        gear={cable.gear}
        kind={`${nameCable(rig, id)} · ${sayCable(cable)}`}
        {...{ id, actions, onSwap }}
      />
      <CableFields cable={cable} units={units} actions={actions} />
      <CableTools rig={rig} rowId={rowId} id={id} units={units} actions={actions} />
    </>
  );
}

interface HeadProps extends Pick<PanelProps, 'actions' | 'onSwap'> {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly gear: string | undefined;
}

/** Drawn again only when the cable is another one, not while it is drawn longer. */
const Head = memo(function Head({ id, name, kind, gear, actions, onSwap }: HeadProps) {
  const target = { of: 'cable', id } as const;
  return (
    <PanelHead
      name={name}
      label="Name of the cable"
      kind={kind}
      gear={gear}
      onRename={(to) => actions.edit({ kind: 'rename', target, to })}
    >
      <Button size="small" onClick={actions.bufferAfter}>
        Buffer after it
      </Button>
      <Button size="small" onClick={() => onSwap('cable')}>
        Swap
      </Button>
    </PanelHead>
  );
});
