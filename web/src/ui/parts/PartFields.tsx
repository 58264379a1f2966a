import {
  FIELD_RULES,
  readNumber,
  type FieldRule,
  type PartKind,
  type Sourced,
  type Target,
  type UnitSystem,
} from '@gullwind/core';
import { memo } from 'react';
import { QuantityField } from '../QuantityField';
import type { PartActions } from './partActions';

/** Field paths of a part, each with a shorter label where the place says the rest. */
export type FieldsOf<P extends PartKind> = readonly (readonly [
  path: keyof (typeof FIELD_RULES)[P] & string,
  label?: string,
])[];

export interface PartFieldsProps<P extends PartKind> {
  readonly part: object;
  readonly of: P;
  /** Of everything but the reference and the approach. */
  readonly id?: string;
  readonly fields: FieldsOf<P>;
  readonly units: UnitSystem;
  readonly assumedFrom: string;
  readonly actions: PartActions;
}

/** Numbers of one part of the rig, each an edit of its own. */
export function PartFields<P extends PartKind>({
  part,
  of,
  id,
  fields,
  ...shared
}: PartFieldsProps<P>) {
  const rules: Readonly<Record<string, FieldRule>> = FIELD_RULES[of];
  return fields.map(([path, label]) => {
    const value = readNumber(part, path);
    return (
      value && (
        <PartField
          key={path}
          of={of}
          id={id}
          path={path}
          rule={rules[path]!}
          label={label}
          value={value}
          {...shared}
        />
      )
    );
  });
}

interface FieldProps extends Pick<PartFieldsProps<PartKind>, 'units' | 'assumedFrom' | 'actions'> {
  readonly of: PartKind;
  readonly id: string | undefined;
  readonly path: string;
  readonly rule: FieldRule;
  readonly label: string | undefined;
  readonly value: Sourced;
}

/** Drawn again only when its own value changes. */
export const PartField = memo(function PartField({
  of,
  id,
  path,
  label,
  actions,
  ...field
}: FieldProps) {
  const target = (id === undefined ? { of } : { of, id }) as Target;
  return (
    <QuantityField
      {...field}
      {...(label ? { label } : {})}
      onChange={(to) => actions.edit({ kind: 'set', target, field: path, to })}
    />
  );
});
