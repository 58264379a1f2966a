import type { GearItem } from '@gullwind/core';
import { useMemo } from 'react';
import { useListGearQuery } from './api';

const NO_GEAR: readonly GearItem[] = [];

/** What the workshop has; null until it is known, nothing where it cannot be known. */
export function useGearItems(): readonly GearItem[] | null {
  const { data, isError } = useListGearQuery();
  return useMemo(
    () => data?.items.map(({ item }) => item) ?? (isError ? NO_GEAR : null),
    [data, isError],
  );
}
