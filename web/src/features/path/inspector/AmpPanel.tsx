import type { AmpInputKind } from '@gullwind/core';
import { Button, Typography } from '@mui/material';
import { ChoiceField } from './ChoiceField';
import type { PanelProps } from './panelProps';
import { PanelGroup, PanelHead } from './PanelHead';
import { PartFields } from './PartFields';

const INPUTS: readonly (readonly [AmpInputKind, string])[] = [
  ['gridStopper', 'grid stopper into a tube'],
  ['plain', 'resistance and capacitance'],
];

export function AmpPanel({ rig, units, actions, onSwap }: PanelProps) {
  const { amp, reference } = rig;
  const target = { of: 'amp' } as const;
  const shared = {
    part: amp,
    of: 'amp',
    units,
    assumedFrom: 'amp input',
    actions,
  } as const;
  return (
    <>
      <PanelHead
        name={amp.name}
        label="Name of the amp"
        kind="amp input, up to the jack"
        onRename={(to) => actions.edit({ kind: 'rename', target, to })}
      >
        <Button size="small" onClick={() => onSwap('amp')}>
          Swap
        </Button>
      </PanelHead>
      <PanelGroup title="Input">
        <ChoiceField
          label="Input"
          value={amp.input}
          options={INPUTS}
          onChange={(to) => actions.edit({ kind: 'choose', target, field: 'input', to })}
        />
        <PartFields {...shared} fields={[['rInOhm', 'Resistance']]} />
        {amp.input === 'gridStopper' ? (
          <PartFields {...shared} fields={[['stopperOhm'], ['millerF']]} />
        ) : (
          <PartFields {...shared} fields={[['cInF', 'Capacitance']]} />
        )}
      </PanelGroup>
      <PanelGroup title="Straight in: the reference lead">
        <PartFields
          part={reference}
          of="reference"
          fields={[
            ['lengthM', 'Length'],
            ['cPerMF', 'Capacitance'],
          ]}
          units={units}
          assumedFrom="an ordinary lead"
          actions={actions}
        />
      </PanelGroup>
      <Typography variant="caption" sx={{ display: 'block', mt: 1.5, color: 'text.secondary' }}>
        The model ends at the input jack. Never open a tube amp: lethal voltages remain when it is
        unplugged. That is work for a qualified technician.
      </Typography>
    </>
  );
}
