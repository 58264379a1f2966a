import { END_KINDS, type End, type EndKind, type InputKind } from '@gullwind/core';
import { ChoiceField } from './ChoiceField';
import type { FieldsProps } from './partActions';
import { PanelGroup } from './PanelGroup';
import { PartFields } from './PartFields';

const INPUTS: readonly (readonly [InputKind, string])[] = [
  ['gridStopper', 'grid stopper into a tube'],
  ['plain', 'resistance and capacitance'],
];

const KINDS = (Object.keys(END_KINDS) as EndKind[]).map(
  (kind) => [kind, END_KINDS[kind].label] as const,
);

interface Props extends FieldsProps {
  readonly end: End;
}

/** What a path ends in: its input. */
export function EndFields({ end, units, actions }: Props) {
  const { id } = end;
  const target = { of: 'end', id } as const;
  const shared = {
    part: end,
    of: 'end',
    id,
    units,
    assumedFrom: END_KINDS[end.kind].label,
    actions,
  } as const;
  return (
    <PanelGroup title="Input">
      <ChoiceField
        label="Ends in"
        value={end.kind}
        options={KINDS}
        onChange={(to) => actions.edit({ kind: 'choose', target, field: 'kind', to })}
      />
      <ChoiceField
        label="Input"
        value={end.input}
        options={INPUTS}
        onChange={(to) => actions.edit({ kind: 'choose', target, field: 'input', to })}
      />
      <PartFields {...shared} fields={[['rInOhm', 'Resistance']]} />
      {end.input === 'gridStopper' ? (
        <PartFields {...shared} fields={[['stopperOhm'], ['millerF']]} />
      ) : (
        <PartFields {...shared} fields={[['cInF', 'Capacitance']]} />
      )}
    </PanelGroup>
  );
}

/** The effects loop of an amp: what drives its send, what its return asks. */
export function EffectsLoopFields({ end, units, actions }: Props) {
  return (
    <PartFields
      part={end}
      of="end"
      id={end.id}
      units={units}
      assumedFrom={END_KINDS[end.kind].label}
      actions={actions}
      fields={[
        ['sendOhm', 'Send, output'],
        ['returnOhm', 'Return, input'],
        ['returnF', 'Return, capacitance'],
      ]}
    />
  );
}
