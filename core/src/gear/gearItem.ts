import type { Device } from './device';
import type { End } from './end';
import type { Guitar } from './guitar';
import type { Lead } from './lead';

/** An entry of the gear list: a thing to put in a rig, by value. */
export type GearItem =
  | { readonly id: string; readonly kind: 'guitar'; readonly note: string; readonly thing: Guitar }
  | { readonly id: string; readonly kind: 'device'; readonly note: string; readonly thing: Device }
  | { readonly id: string; readonly kind: 'lead'; readonly note: string; readonly thing: Lead }
  | { readonly id: string; readonly kind: 'end'; readonly note: string; readonly thing: End };

export type GearKind = GearItem['kind'];
