import {
  PICKUP_CLASSES,
  pickupOfClass,
  type BleedTopology,
  type Guitar,
  type GuitarKind,
  type Wiring,
} from '@gullwind/core';
import { Button } from '@mui/material';
import { ChoiceField } from './ChoiceField';
import type { FieldsProps } from './partActions';
import { PanelGroup } from './PanelGroup';
import { PartFields, type FieldsOf, type PartFieldsProps } from './PartFields';

const KINDS: readonly (readonly [GuitarKind, string])[] = [
  ['magnetic', 'magnetic pickup'],
  ['piezo', 'piezo'],
  ['active', 'active electronics'],
];

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

type Choose = (field: string, to: string | boolean) => void;

export const sayGuitar = ({ kind, pickupClass }: Guitar): string =>
  kind === 'magnetic'
    ? PICKUP_CLASSES[pickupClass].label
    : KINDS.find(([word]) => word === kind)![1];

/** All that makes a guitar sound as it does, and how it is set. */
export function GuitarFields({ guitar, ...props }: FieldsProps & { readonly guitar: Guitar }) {
  const { units, actions } = props;
  const { id } = guitar;
  const assumedFrom = sayGuitar(guitar);
  const target = { of: 'guitar', id } as const;
  const shared: SharedProps = { part: guitar, of: 'guitar', id, units, assumedFrom, actions };
  const choose: Choose = (field, to) => actions.edit({ kind: 'choose', target, field, to });
  return (
    <>
      <ChoiceField
        label="Source"
        value={guitar.kind}
        options={KINDS}
        onChange={(to) => choose('kind', to)}
      />
      {guitar.kind === 'piezo' && <PartFields {...shared} fields={[['piezoF', 'Capacitance']]} />}
      {guitar.kind === 'active' && <PartFields {...shared} fields={[['outputOhm', 'Output']]} />}
      {guitar.kind === 'magnetic' && (
        <>
          <PanelGroup title="Controls as they are set">
            <PartFields {...shared} fields={CONTROLS} />
          </PanelGroup>
          <PanelGroup title={guitar.second ? 'First pickup' : 'Pickup'}>
            <PartFields {...shared} fields={PICKUP} />
          </PanelGroup>
          <SecondPickup {...props} guitar={guitar} choose={choose} />
          <PanelGroup title="Wiring">
            <PartFields {...shared} fields={POTS} />
            <Wirings guitar={guitar} choose={choose} />
            {guitar.bleed !== 'none' && <PartFields {...shared} fields={[['bleedF']]} />}
            {(guitar.bleed === 'parallel' || guitar.bleed === 'series') && (
              <PartFields {...shared} fields={[['bleedOhm']]} />
            )}
          </PanelGroup>
        </>
      )}
    </>
  );
}

type SharedProps = Omit<PartFieldsProps<'guitar'>, 'fields'>;
type Fields = FieldsOf<'guitar'>;

const CONTROLS: Fields = [
  ['volume.travel', 'Volume, 0 to 10'],
  ['tone.travel', 'Tone, 0 to 10'],
];
const PICKUP: Fields = [
  ['lH', 'Inductance'],
  ['rDcOhm', 'Resistance'],
  ['cWindingF', 'Winding capacitance'],
  ['rEddyOhm', 'Eddy resistance'],
];
const POTS: Fields = [
  ['volume.potOhm'],
  ['volume.midFraction', 'Volume at half travel'],
  ['tone.potOhm'],
  ['tone.midFraction', 'Tone at half travel'],
  ['toneF'],
];
const SECOND_CONTROLS: Fields = [
  ['second.volume.travel', 'Its volume'],
  ['second.tone.travel', 'Its tone'],
];
const SECOND_PICKUP: Fields = [
  ['second.lH', 'Inductance'],
  ['second.rDcOhm', 'Resistance'],
  ['second.cWindingF', 'Winding capacitance'],
  ['second.rEddyOhm', 'Eddy resistance'],
];

interface WiringProps {
  readonly guitar: Guitar;
  readonly choose: Choose;
}

function Wirings({ guitar, choose }: WiringProps) {
  return (
    <>
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
      <ChoiceField
        label="Volume pot"
        value={guitar.potWiring}
        options={[
          ['dependent', 'output on the wiper'],
          ['independent', 'pickup on the wiper'],
        ]}
        onChange={(to) => choose('potWiring', to)}
      />
    </>
  );
}

/** The other pickup and the position switch, where the guitar has two. */
function SecondPickup(props: FieldsProps & WiringProps) {
  const { guitar, choose, actions, units } = props;
  const { second } = guitar;
  const replace = (to: Guitar) => actions.edit({ kind: 'replace', part: { of: 'guitar', to } });
  if (!second) {
    return (
      <Button
        size="small"
        onClick={() => replace({ ...guitar, second: pickupOfClass(guitar.pickupClass) })}
      >
        It has a second pickup
      </Button>
    );
  }
  const shared = {
    part: guitar,
    of: 'guitar',
    id: guitar.id,
    units,
    assumedFrom: PICKUP_CLASSES[second.pickupClass].label,
    actions,
  } as const;
  return (
    <PanelGroup title="Second pickup and position switch">
      <SecondPickupChoices guitar={guitar} choose={choose} />
      <PartFields
        {...shared}
        fields={
          guitar.sharing === 'individual' ? [...SECOND_CONTROLS, ...SECOND_PICKUP] : SECOND_PICKUP
        }
      />
      <Button size="small" onClick={() => replace({ ...guitar, second: null })}>
        It has only one pickup
      </Button>
    </PanelGroup>
  );
}

/** The position switch, and how the two pickups come together. */
function SecondPickupChoices({ guitar, choose }: WiringProps) {
  return (
    <>
      <ChoiceField
        label="Switch at"
        value={guitar.pickupSwitch}
        options={POSITIONS}
        onChange={(to) => choose('pickupSwitch', to)}
      />
      <ChoiceField
        label="Both together"
        value={guitar.joint}
        options={[
          ['parallel', 'in parallel'],
          ['series', 'in series'],
        ]}
        onChange={(to) => choose('joint', to)}
      />
      <ChoiceField
        label="Phase"
        value={guitar.outOfPhase ? 'out' : 'in'}
        options={[
          ['in', 'in phase'],
          ['out', 'out of phase'],
        ]}
        onChange={(to) => choose('outOfPhase', to === 'out')}
      />
      <ChoiceField
        label="Controls"
        value={guitar.sharing}
        options={[
          ['shared', 'one set for both'],
          ['individual', 'one set each'],
        ]}
        onChange={(to) => choose('sharing', to)}
      />
    </>
  );
}

const POSITIONS = [
  ['first', 'the first'],
  ['both', 'both'],
  ['second', 'the second'],
] as const;
