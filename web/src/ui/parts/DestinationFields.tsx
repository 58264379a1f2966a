import {
  DESTINATION_KINDS,
  type Destination,
  type DestinationKind,
  type InputKind,
} from '@gullwind/core';
import { ChoiceField } from './ChoiceField';
import type { FieldsProps } from './partActions';
import { PanelGroup } from './PanelGroup';
import { PartFields } from './PartFields';

const INPUTS: readonly (readonly [InputKind, string])[] = [
  ['gridStopper', 'grid stopper into a tube'],
  ['plain', 'resistance and capacitance'],
];

const KINDS = (Object.keys(DESTINATION_KINDS) as DestinationKind[]).map(
  (kind) => [kind, DESTINATION_KINDS[kind].label] as const,
);

interface Props extends FieldsProps {
  readonly destination: Destination;
}

/** What a path ends in: its input. */
export function DestinationFields({ destination, units, actions }: Props) {
  const { id } = destination;
  const target = { of: 'destination', id } as const;
  const shared = {
    part: destination,
    of: 'destination',
    id,
    units,
    assumedFrom: DESTINATION_KINDS[destination.kind].label,
    actions,
  } as const;
  return (
    <PanelGroup title="Input">
      <ChoiceField
        label="Ends in"
        value={destination.kind}
        options={KINDS}
        onChange={(to) => actions.edit({ kind: 'choose', target, field: 'kind', to })}
      />
      <ChoiceField
        label="Input"
        value={destination.input}
        options={INPUTS}
        onChange={(to) => actions.edit({ kind: 'choose', target, field: 'input', to })}
      />
      <PartFields {...shared} fields={[['rInOhm', 'Resistance']]} />
      {destination.input === 'gridStopper' ? (
        <PartFields {...shared} fields={[['stopperOhm'], ['millerF']]} />
      ) : (
        <PartFields {...shared} fields={[['cInF', 'Capacitance']]} />
      )}
    </PanelGroup>
  );
}

/** The effects loop of an amp: what drives its send, what its return asks. */
export function EffectsLoopFields({ destination, units, actions }: Props) {
  return (
    <PartFields
      part={destination}
      of="destination"
      id={destination.id}
      units={units}
      assumedFrom={DESTINATION_KINDS[destination.kind].label}
      actions={actions}
      fields={[
        ['sendOhm', 'Send, output'],
        ['returnOhm', 'Return, input'],
        ['returnF', 'Return, capacitance'],
      ]}
    />
  );
}
