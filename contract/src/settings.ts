import { DEFAULT_REFERENCE_CABLE, type ReferenceCable, type UnitSystem } from '@gullwind/core';

export type ThemeChoice = 'day' | 'night' | 'system';

export interface Settings {
  readonly units: UnitSystem;
  readonly theme: ThemeChoice;
  /** What new rigs are compared with. */
  readonly reference: ReferenceCable;
}

export const DEFAULT_SETTINGS: Settings = {
  units: 'metric',
  theme: 'system',
  reference: DEFAULT_REFERENCE_CABLE,
};
