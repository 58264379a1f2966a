import type { Edit, Laying } from '@gullwind/core';
import { Disclosure } from '../../../ui/Disclosure';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import { PartFields, type FieldsOf } from '../../../ui/parts/PartFields';
import type { PanelProps } from '../panelProps';

const ROOM_FIELDS: FieldsOf<'laying'> = [['gapM'], ['shoeM'], ['freeM'], ['carefulM']];
const CABLE_FIELDS: FieldsOf<'laying'> = [
  ['slackM'],
  ['stepM'],
  ['clearanceM'],
  ['bendM'],
  ['passageM'],
  ['laneShare'],
  ['pitchM'],
];

const MANNERS = [
  ['tidy', 'tidy: square, along lanes'],
  ['direct', 'direct: the shortest way'],
] as const;
const PLUGS = [
  ['pancake', 'pancake'],
  ['angled', 'angled'],
  ['straight', 'straight'],
] as const;
const CHANGES = [
  ['false', 'hardly ever'],
  ['true', 'often: every other mount'],
] as const;
const OVERHANGS = [
  ['false', 'nothing'],
  ['true', 'allowed'],
] as const;

/** How cables are laid, and every limit, seen and changed where it is. */
export function LayingFields({ rig, units, actions }: Omit<PanelProps, 'plan'>) {
  const { laying } = rig.layout;
  const choose = (field: keyof Laying, to: string | boolean): void => {
    const edit: Edit = { kind: 'choose', target: { of: 'laying' }, field, to };
    actions.edit(edit);
  };
  return (
    <>
      <PanelGroup title="How cables are laid">
        <ChoiceField
          label="Manner"
          value={laying.manner}
          options={MANNERS}
          onChange={(to) => choose('manner', to)}
        />
        <ChoiceField
          label="Plugs, where not said"
          value={laying.usualPlug}
          options={PLUGS}
          onChange={(to) => choose('usualPlug', to)}
        />
        <ChoiceField
          label="This rig changes"
          value={laying.changesOften ? 'true' : 'false'}
          options={CHANGES}
          onChange={(to) => choose('changesOften', to === 'true')}
        />
      </PanelGroup>
      <Limits laying={laying} units={units} actions={actions} onChoose={choose} />
    </>
  );
}

interface LimitsProps extends Pick<PanelProps, 'units' | 'actions'> {
  readonly laying: Laying;
  readonly onChoose: (field: keyof Laying, to: boolean) => void;
}

function Limits({ laying, onChoose, ...shared }: LimitsProps) {
  const fields = { ...shared, part: laying, of: 'laying', assumedFrom: 'what is usual' } as const;
  return (
    <Disclosure title="Limits">
      <PartFields {...fields} fields={ROOM_FIELDS} />
      <ChoiceField
        label="Over the edge"
        value={laying.allowsOverhang ? 'true' : 'false'}
        options={OVERHANGS}
        onChange={(to) => onChoose('allowsOverhang', to === 'true')}
      />
      <PartFields {...fields} fields={CABLE_FIELDS} />
    </Disclosure>
  );
}
