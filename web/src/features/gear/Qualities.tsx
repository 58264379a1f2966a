import { HIGHEST_PRICE, type GearItem, type ItemEdit, type Qualities } from '@gullwind/core';
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
      <TextLine
        label={qualities.form === 'reel' ? 'Price of a metre' : 'Price'}
        value={qualities.price === null ? '' : String(qualities.price)}
        check={priceProblem}
        onChange={(text) => say({ price: text === '' ? null : readPrice(text) })}
      />
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

const readPrice = (text: string): number => Number(text.replace(',', '.'));

function priceProblem(text: string): string | null {
  const price = readPrice(text);
  if (price >= 0 && price <= HIGHEST_PRICE) return null;
  return `Price: “${text}” is not a number between 0 and ${HIGHEST_PRICE.toLocaleString('en')}.`;
}
