import { PLACEMENT_RULES, type OnDeck, type Standing, type Turn } from '@gullwind/core';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import { SizeField } from './SizeField';
import type { PanelProps } from '../panelProps';

const TURNS: readonly (readonly [`${Turn}`, string])[] = [
  ['0', 'as it is'],
  ['90', 'a quarter left'],
  ['180', 'about'],
  ['270', 'a quarter right'],
];
const SIDES = [
  ['top', 'on top'],
  ['under', 'below'],
] as const;
const NUMBERS = [
  ['xM', 'From the left'],
  ['yM', 'From the front'],
  ['riserM', 'Riser'],
] as const;

/** Where a thing stands, in numbers. */
export function StandingFields({
  rig,
  plan,
  units,
  actions,
  standing,
}: PanelProps & { readonly standing: Standing }) {
  const { placement } = standing;
  const place = (change: Partial<OnDeck>) => actions.place(standing, change);
  return (
    <PanelGroup title="Stands">
      {plan.decks.length > 1 && (
        <ChoiceField
          label="On"
          value={placement.board}
          options={rig.layout.boards.map(({ id, name }) => [id, name] as const)}
          onChange={(board) => place({ board })}
        />
      )}
      {NUMBERS.map(([field, label]) => (
        <SizeField
          key={field}
          label={label}
          rule={PLACEMENT_RULES[field]}
          value={placement[field]}
          units={units}
          onChange={(to) => place({ [field]: to })}
        />
      ))}
      <ChoiceField
        label="Turned"
        value={`${placement.turn}`}
        options={TURNS}
        onChange={(to) => place({ turn: Number(to) as Turn })}
      />
      <ChoiceField
        label="Side of the board"
        value={placement.isUnder ? 'under' : 'top'}
        options={SIDES}
        onChange={(to) => place({ isUnder: to === 'under' })}
      />
    </PanelGroup>
  );
}
