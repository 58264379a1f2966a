import type { SvgIconProps } from '@mui/material';
import type { ComponentType } from 'react';
import type { GuideName } from '../features/guide';
import type { Route } from './pages';

/** Keys under one heading: what is pressed, and what it does. */
export interface KeyGroup {
  readonly heading: string;
  readonly keys: readonly (readonly [key: string, does: string])[];
}

/** All that the application knows of one stage or tool: a new one is an entry in the list of stages. */
export interface Stage {
  readonly label: string;
  readonly icon: ComponentType<SvgIconProps>;
  /** Its address; ":rigId" in it makes it a stage of a rig. */
  readonly route: Route;
  /** Where on the rail it stands: among what belongs to a rig, beside it, at the foot; or only where others lead to it. */
  readonly rail: 'rig' | 'workshop' | 'foot' | 'none';
  /** Beside those that every stage has. */
  readonly keys: readonly KeyGroup[];
  /** In docs/guide, without ".md": what stands behind “?”. */
  readonly guide: GuideName;
  /** In docs/screenshots, without ".png". */
  readonly picture: string;
  /** In e2e/journeys, without ".e2e.ts": who goes through it. */
  readonly journey: string;
}
