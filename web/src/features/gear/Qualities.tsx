import {
  HIGHEST_PRICE,
  METRES_PER_FOOT,
  type GearItem,
  type ItemEdit,
  type Qualities,
} from '@gullwind/core';
import { useSettings } from '../../app/useSettings';
import { ChoiceField } from '../../ui/parts/ChoiceField';
import { PanelGroup } from '../../ui/parts/PanelGroup';
import { TextLine } from '../../ui/parts/TextLine';

const FORMS = [
  ['', 'not given'],
  ['madeUp', 'made up'],
  ['reel', 'on a reel'],
] as const;
const STIFFNESSES = [
  ['', 'not given'],
  ['soft', 'soft'],
  ['medium', 'medium'],
  ['stiff', 'stiff'],
] as const;
const RUGGEDNESSES = [
  ['', 'not given'],
  ['delicate', 'delicate'],
  ['sturdy', 'sturdy'],
  ['roadworthy', 'fit for the road'],
] as const;
const SHIELDS = [
  ['', 'not given'],
  ['spiral', 'spiral'],
  ['braid', 'braid'],
  ['doubleBraid', 'double braid'],
  ['foil', 'foil'],
  ['plastic', 'conductive plastic'],
] as const;

interface Props {
  readonly item: GearItem;
  readonly onEdit: (edit: ItemEdit) => void;
}

/** What people choose by that the signal does not feel. */
export function QualitiesPanel({ item, onEdit }: Props) {
  const { qualities, kind } = item;
  const say = (to: Partial<Qualities>) => onEdit({ kind: 'quality', to });
  return (
    <PanelGroup title="To choose by">
      {kind === 'cable' && <CableQualities qualities={qualities} say={say} />}
      <ChoiceField
        label="Ruggedness"
        value={qualities.ruggedness ?? ''}
        options={RUGGEDNESSES}
        onChange={(ruggedness) => say({ ruggedness: ruggedness || null })}
      />
      <Price qualities={qualities} say={say} />
      <TextLine
        label="Supplier"
        value={qualities.supplier}
        onChange={(supplier) => say({ supplier })}
      />
      <TextLine
        label="Note"
        value={item.note}
        multiline
        onChange={(to) => onEdit({ kind: 'describe', to })}
      />
    </PanelGroup>
  );
}

interface CableProps {
  readonly qualities: Qualities;
  readonly say: (to: Partial<Qualities>) => void;
}

function CableQualities({ qualities, say }: CableProps) {
  return (
    <>
      <ChoiceField
        label="Comes as"
        value={qualities.form ?? ''}
        options={FORMS}
        onChange={(form) => say({ form: form || null })}
      />
      <ChoiceField
        label="Stiffness"
        value={qualities.stiffness ?? ''}
        options={STIFFNESSES}
        onChange={(stiffness) => say({ stiffness: stiffness || null })}
      />
      <ChoiceField
        label="Shield"
        value={qualities.shield ?? ''}
        options={SHIELDS}
        onChange={(shield) => say({ shield: shield || null })}
      />
    </>
  );
}

/** What is on a reel is sold by its length. */
function Price({ qualities: { form, price }, say }: CableProps) {
  const [{ units }] = useSettings();
  const isReel = form === 'reel';
  const perM = isReel && units === 'imperial' ? METRES_PER_FOOT : 1;
  const word = perM === 1 ? 'Price of a metre' : 'Price of a foot';
  return (
    <TextLine
      label={isReel ? word : 'Price'}
      value={price === null ? '' : String(cut(price * perM))}
      check={priceProblem}
      onChange={(text) => say({ price: text === '' ? null : cut(readPrice(text) / perM) })}
    />
  );
}

/** Prices have no more digits than money. */
const cut = (price: number): number => Number(price.toFixed(4));

const readPrice = (text: string): number => Number(text.replace(',', '.'));

function priceProblem(text: string): string | null {
  const price = readPrice(text);
  if (price >= 0 && price <= HIGHEST_PRICE) return null;
  return `Price: “${text}” is not a number between 0 and ${HIGHEST_PRICE.toLocaleString('en')}.`;
}
