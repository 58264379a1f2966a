/// What a driven section is made of. SI throughout.

/** Treble bleed across the volume pot. */
export type Bleed =
  | { readonly topology: 'capacitor'; readonly cF: number }
  | { readonly topology: 'parallel' | 'series'; readonly cF: number; readonly rOhm: number };

export interface VolumeControl {
  readonly potOhm: number;
  /** Wiper fraction: wiper to ground over the whole track, 0–1. */
  readonly wiper: number;
  /** False: source on the track, output on the wiper. True: the other way about. */
  readonly reversed: boolean;
}

export interface ToneControl {
  readonly potOhm: number;
  readonly cF: number;
  /** What is left of the track in series with the capacitor, 0–1; 1 is full up. */
  readonly remaining: number;
  /** True: the track opens at full up. */
  readonly noLoad: boolean;
}

export interface Controls {
  /** Where the tone control hangs: at the pickup ("modern") or at the volume's wiper ("fifties"). */
  readonly wiring: 'modern' | 'fifties';
  readonly volume: VolumeControl | null;
  readonly tone: ToneControl | null;
  readonly bleed: Bleed | null;
}

export interface PickupSource {
  readonly kind: 'pickup';
  readonly lH: number;
  readonly rDcOhm: number;
  readonly cWindingF: number;
  /** Eddy losses in parallel with the inductance; null if unknown (none). */
  readonly rEddyOhm: number | null;
  readonly controls: Controls;
}

/** Two pickups, each after its own controls if it has any, joined ahead of shared ones. */
export interface PairSource {
  readonly kind: 'pair';
  readonly first: PickupSource;
  readonly second: PickupSource;
  readonly joint: 'parallel' | 'series';
  /** −1: the second one the other way round. */
  readonly sign: 1 | -1;
  readonly shared: Controls;
}

export const NO_CONTROLS: Controls = { wiring: 'modern', volume: null, tone: null, bleed: null };

export type Source =
  | PickupSource
  | PairSource
  | { readonly kind: 'piezo'; readonly cF: number }
  | { readonly kind: 'voltage'; readonly rOutOhm: number; readonly gain: number };

export interface CableElement {
  readonly kind: 'cable';
  readonly lengthM: number;
  readonly cPerMF: number;
  readonly rPerMOhm: number;
  readonly lPerMH: number;
  readonly lossTangent: number;
  /** Both plugs together; half stands at each end. */
  readonly plugsF: number;
}

export type PathElement =
  | CableElement
  | { readonly kind: 'series'; readonly rOhm: number }
  | { readonly kind: 'shunt'; readonly rOhm: number | null; readonly cF: number }
  | { readonly kind: 'pot'; readonly rOhm: number; readonly wiper: number }
  /** In series: a winding with its resistance. */
  | { readonly kind: 'coil'; readonly rOhm: number; readonly lH: number }
  /** A way that leaves the line and ends in a load of its own. */
  | { readonly kind: 'branch'; readonly path: readonly PathElement[]; readonly load: Load };

export interface Load {
  readonly rOhm: number;
  readonly cF: number;
  /** Grid stopper into Miller capacitance, beside rOhm. */
  readonly grid: { readonly stopperOhm: number; readonly millerF: number } | null;
}

/** From one driver to the input of the next: what one response is computed for. */
export interface Section {
  readonly source: Source;
  readonly path: readonly PathElement[];
  readonly load: Load;
}
