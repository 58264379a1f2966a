import { addSupply, supplyOfClass, type GearItem, type SupplyClass } from '@gullwind/core';
import { Typography } from '@mui/material';
import { ChooseThenAdd } from '../../../ui/ChooseThenAdd';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { PartFields } from '../../../ui/parts/PartFields';
import type { PowerPanelProps } from './FeedPanel';

const FEEDING = [
  ['isolated', 'every outlet by itself'],
  ['quietShare', 'quiet ones may share'],
  ['chain', 'in chains'],
] as const;

const WHY = {
  isolated: 'Nothing shares a ground: the least noise, and the most outlets.',
  quietShare: 'Analogue pedals may hang on one outlet; what has a clock in it gets its own.',
  chain:
    'Whatever fits on an outlet may hang on it: the least to buy and to carry, and the first place to look when it hums.',
} as const;

interface Props extends PowerPanelProps {
  readonly gear: readonly GearItem[] | null;
}

/** How this rig is fed in general, and what is added to it. */
export function RigPowerPanel({ rig, units, gear, onEdit }: Props) {
  const { power } = rig;
  return (
    <>
      <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600, lineHeight: 1.2 }}>
        How it is fed
      </Typography>
      <ChoiceField
        label="Outlets"
        value={power.feeding}
        options={FEEDING}
        onChange={(to) => onEdit({ kind: 'choose', target: { of: 'power' }, field: 'feeding', to })}
      />
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
        {WHY[power.feeding]}
      </Typography>
      <PartFields
        part={power}
        of="power"
        fields={[
          ['fill', 'The line is at'],
          ['rPerMOhm', 'DC cable, both ways'],
        ]}
        units={units}
        assumedFrom="a supply that stays cool, and cable of AWG 22"
        actions={{ edit: onEdit }}
      />
      <AddSupply rig={rig} gear={gear} onEdit={onEdit} />
      <Typography variant="body2" sx={{ mt: 1.5, color: 'text.secondary' }}>
        Drag a thing onto an outlet, or behind another thing. Pick anything to see its numbers.
      </Typography>
    </>
  );
}

/** Another supply, adaptor or battery. */
export function AddSupply({ rig, gear, onEdit }: Pick<Props, 'rig' | 'gear' | 'onEdit'>) {
  const supplies = (gear ?? []).filter(({ kind, retired }) => kind === 'supply' && !retired);
  const add = (value: string) => {
    const item = supplies.find(({ id }) => id === value);
    if (item?.kind === 'supply') onEdit(addSupply(rig, item.thing));
    else onEdit(addSupply(rig, supplyOfClass(value as SupplyClass)));
  };
  return (
    <ChooseThenAdd
      label="Add a supply"
      placeholder="a supply, an adaptor, a battery …"
      options={[...supplies.map(({ id, thing }) => [id, thing.name] as const), ...USUAL]}
      onAdd={add}
    />
  );
}

const USUAL: readonly (readonly [SupplyClass, string])[] = [
  ['brick', 'supply, usual outlets'],
  ['mainsAdaptor', 'mains adaptor, usual'],
  ['battery', 'battery, 9 V'],
  ['diWithOutlets', 'DI with outlets, usual'],
];
