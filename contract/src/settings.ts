import { DEFAULT_REFERENCE_LEAD, type ReferenceLead, type UnitSystem } from '@gullwind/core';

export type ThemeChoice = 'day' | 'night' | 'system';

export interface Settings {
  readonly units: UnitSystem;
  readonly theme: ThemeChoice;
  /** What new rigs are compared with. */
  readonly reference: ReferenceLead;
}

export const DEFAULT_SETTINGS: Settings = {
  units: 'metric',
  theme: 'system',
  reference: DEFAULT_REFERENCE_LEAD,
};
