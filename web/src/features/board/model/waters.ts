import type { AnalysedWays } from '../../../workers/useAnalysis';

export type Water = 'exposed' | 'sheltered';

/** By cable, the water it keeps: exposed where a pickup or a weak output drives it. Of several ways the first that it lies on. */
export function watersOf(analysed: AnalysedWays | null): ReadonlyMap<string, Water> {
  const waters = new Map<string, Water>();
  for (const analysis of Object.values(analysed?.analyses ?? {}))
    for (const { driver, endsAt, exposed } of analysis.sections)
      for (const { spot } of analysis.stops.slice(driver, endsAt + 1))
        if (spot.kind === 'cable' && !waters.has(spot.id))
          waters.set(spot.id, exposed ? 'exposed' : 'sheltered');
  return waters;
}
