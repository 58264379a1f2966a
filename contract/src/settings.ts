import {
  DEFAULT_REFERENCE_CABLE,
  type ListenerScale,
  type ReferenceCable,
  type UnitSystem,
} from '@gullwind/core';

export type ThemeChoice = 'day' | 'night' | 'system';

export interface Settings {
  readonly units: UnitSystem;
  readonly theme: ThemeChoice;
  /** What new rigs are compared with. */
  readonly reference: ReferenceCable;
  /** Whose ears words of size are measured by; null is the usual ladder. */
  readonly scale: ListenerScale | null;
}

export const DEFAULT_SETTINGS: Settings = {
  units: 'metric',
  theme: 'system',
  reference: DEFAULT_REFERENCE_CABLE,
  scale: null,
};
