import { isBegun, NO_RECORDS, type Building, type UnitSystem } from '@gullwind/core';
import { useMemo } from 'react';
import { useGetBuildQuery } from '../../../app/api';
import { useGearItems } from '../../../app/useGearItems';

/** What a change is counted against: what was built by its records, else all as if it were built. */
export function useBuilding(
  id: string,
  units: UnitSystem,
): { readonly building: Building; readonly isAsIf: boolean } {
  const { data: records = NO_RECORDS } = useGetBuildQuery(id);
  const gear = useGearItems();
  return useMemo(() => {
    const isAsIf = !isBegun(records);
    const building = { gear: gear ?? [], units, ...(isAsIf ? {} : { records }) };
    return { building, isAsIf };
  }, [records, gear, units]);
}
