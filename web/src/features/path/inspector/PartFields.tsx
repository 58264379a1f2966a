import {
  FIELD_RULES,
  readNumber,
  type PartKind,
  type Target,
  type UnitSystem,
} from '@gullwind/core';
import { QuantityField } from '../../../ui/QuantityField';
import type { PathActions } from '../usePathActions';

interface Props<P extends PartKind> {
  readonly part: object;
  readonly of: P;
  readonly target: Target;
  /** Field paths, each with a shorter label where the place says the rest. */
  readonly fields: readonly (readonly [
    path: keyof (typeof FIELD_RULES)[P] & string,
    label?: string,
  ])[];
  readonly units: UnitSystem;
  readonly assumedFrom: string;
  readonly actions: PathActions;
}

/** Numbers of one part of the rig, each an edit of its own. */
export function PartFields<P extends PartKind>({
  part,
  of,
  target,
  fields,
  units,
  assumedFrom,
  actions,
}: Props<P>) {
  const rules = FIELD_RULES[of] as Readonly<
    Record<string, (typeof FIELD_RULES)['lead']['lengthM']>
  >;
  return fields.map(([path, label]) => (
    <QuantityField
      key={path}
      rule={rules[path]!}
      {...(label ? { label } : {})}
      value={readNumber(part, path)}
      units={units}
      assumedFrom={assumedFrom}
      onChange={(to) => actions.edit({ kind: 'set', target, field: path, to })}
    />
  ));
}
