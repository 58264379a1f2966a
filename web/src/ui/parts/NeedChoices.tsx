import type { GroundPole, Polarity, PowerNeed } from '@gullwind/core';
import { ChoiceField } from './ChoiceField';

const POLARITIES: readonly (readonly [Polarity, string])[] = [
  ['centreNegative', 'minus in the middle'],
  ['centrePositive', 'plus in the middle'],
  ['ac', 'AC'],
  ['none', 'no supply'],
];

const GROUNDS: readonly (readonly [GroundPole, string])[] = [
  ['negative', 'the minus pole'],
  ['positive', 'the plus pole'],
  ['floating', 'apart from both'],
];

interface Props {
  readonly need: Pick<PowerNeed, 'polarity' | 'ground'>;
  /** By the path of the field within its thing. */
  readonly onChoose: (field: string, to: string) => void;
}

/** What a thing wants in the middle of its plug, and which pole its audio ground is. */
export const NeedChoices = ({ need, onChoose }: Props) => (
  <>
    <ChoiceField
      label="Polarity"
      value={need.polarity}
      options={POLARITIES}
      onChange={(to) => onChoose('body.polarity', to)}
    />
    <ChoiceField
      label="Audio ground"
      value={need.ground}
      options={GROUNDS}
      onChange={(to) => onChoose('body.ground', to)}
    />
  </>
);
