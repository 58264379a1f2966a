import { useMemo } from 'react';
import { useListGearQuery } from '../../app/api';
import { choicesOf, type GearChoice, type PickerKind } from './model/gearChoices';

/** What there is of a kind, as the gear list stands. */
export function useGearChoices(
  kind: PickerKind,
  ends: string | null = null,
): { readonly choices: readonly GearChoice[]; readonly isLoading: boolean } {
  const { data, isLoading } = useListGearQuery();
  const choices = useMemo(
    () =>
      choicesOf(
        (data?.items ?? []).map(({ item }) => item),
        kind,
        ends,
      ),
    [data, kind, ends],
  );
  return { choices, isLoading };
}
