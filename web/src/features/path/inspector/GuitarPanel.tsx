import { PICKUP_CLASSES, type BleedTopology, type Wiring } from '@gullwind/core';
import { Button } from '@mui/material';
import { ChoiceField } from './ChoiceField';
import type { PanelProps } from './panelProps';
import { PanelGroup, PanelHead } from './PanelHead';
import { PartFields } from './PartFields';

const WIRINGS: readonly (readonly [Wiring, string])[] = [
  ['modern', 'at the pickup (modern)'],
  ['fifties', 'at the wiper (fifties)'],
];

const BLEEDS: readonly (readonly [BleedTopology, string])[] = [
  ['none', 'none'],
  ['capacitor', 'capacitor'],
  ['parallel', 'capacitor beside resistor'],
  ['series', 'capacitor and resistor in series'],
];

export function GuitarPanel({ rig, units, actions, onSwap }: PanelProps) {
  const { guitar } = rig;
  const target = { of: 'guitar' } as const;
  const kind = PICKUP_CLASSES[guitar.pickupClass].label;
  const shared = { part: guitar, of: 'guitar', units, assumedFrom: kind, actions } as const;
  const choose = (field: string, to: string | boolean) =>
    actions.edit({ kind: 'choose', target, field, to });
  return (
    <>
      <PanelHead
        name={guitar.name}
        label="Name of the guitar"
        kind={kind}
        onRename={(to) => actions.edit({ kind: 'rename', target, to })}
      >
        <Button size="small" onClick={() => onSwap('guitar')}>
          Swap
        </Button>
      </PanelHead>
      <PanelGroup title="Controls as they are set">
        <PartFields
          {...shared}
          fields={[
            ['volume.travel', 'Volume, 0 to 10'],
            ['tone.travel', 'Tone, 0 to 10'],
          ]}
        />
      </PanelGroup>
      <PanelGroup title="Pickup">
        <PartFields
          {...shared}
          fields={[
            ['lH', 'Inductance'],
            ['rDcOhm', 'Resistance'],
            ['cWindingF', 'Winding capacitance'],
            ['rEddyOhm', 'Eddy resistance'],
          ]}
        />
      </PanelGroup>
      <PanelGroup title="Wiring">
        <PartFields
          {...shared}
          fields={[
            ['volume.potOhm'],
            ['volume.midFraction', 'Volume at half travel'],
            ['tone.potOhm'],
            ['tone.midFraction', 'Tone at half travel'],
            ['toneF'],
          ]}
        />
        <ChoiceField
          label="Tone hangs"
          value={guitar.wiring}
          options={WIRINGS}
          onChange={(to) => choose('wiring', to)}
        />
        <ChoiceField
          label="Tone at 10"
          value={guitar.noLoad ? 'open' : 'track'}
          options={[
            ['track', 'full track'],
            ['open', 'opens (no-load)'],
          ]}
          onChange={(to) => choose('noLoad', to === 'open')}
        />
        <ChoiceField
          label="Treble bleed"
          value={guitar.bleed}
          options={BLEEDS}
          onChange={(to) => choose('bleed', to)}
        />
        {guitar.bleed !== 'none' && <PartFields {...shared} fields={[['bleedF']]} />}
        {(guitar.bleed === 'parallel' || guitar.bleed === 'series') && (
          <PartFields {...shared} fields={[['bleedOhm']]} />
        )}
      </PanelGroup>
    </>
  );
}
