import type { Symptom } from './symptom';

/// What can be wrong with what: one table. A weight says how often it is the cause of a symptom, against the others in its
/// column; they are rules of thumb of the bench, to be changed by hand, and by what is known of a rig.

/** What somebody does to the setup for a test. */
export type Act =
  | 'guitarAtZero'
  | 'turned'
  | 'lampsOff'
  | 'radiosOff'
  | 'otherCircuit'
  | 'ampMoved'
  | 'audioIsolated'
  | 'cablesLaidApart'
  | 'onBattery'
  | 'fedAlone'
  | 'knobsLooked';

/** What a fault sits in. */
export type FaultPlace =
  'guitar' | 'cable' | 'device' | 'destination' | 'feed' | 'supply' | 'room' | 'ground';

export interface FaultKind {
  readonly on: FaultPlace;
  /** After the name of its part: "…: the tip is open". */
  readonly says: string;
  /** By symptom. */
  readonly weights: Partial<Readonly<Record<Symptom, number>>>;
  /** How surely an act takes the symptom away, 0 to 1. */
  readonly goneBy?: Partial<Readonly<Record<Act, number>>>;
  /** Of a device: nothing of it is heard while it is switched off. */
  readonly whileOn?: true;
  /** It comes in by the guitar: heard only while one is connected. */
  readonly byGuitar?: true;
  /** A meter on the cable, or at the DC plug, shows it: how surely. */
  readonly metered?: number;
  /** It scratches or drops out as its part is moved: how surely. */
  readonly moved?: number;
  /** A look at switches, knobs and pedals finds it. */
  readonly seen?: true;
  /** It belongs to the thing: nothing is broken. */
  readonly isInherent?: true;
}

const kind = (on: FaultPlace, says: string, rest: Omit<FaultKind, 'on' | 'says'>): FaultKind => ({
  on,
  says,
  ...rest,
});

export const FAULT_KINDS = {
  volumeDown: kind('guitar', 'its volume or tone is turned down', {
    weights: { noSignal: 4, weak: 3, dull: 3 },
    seen: true,
    goneBy: { knobsLooked: 1 },
  }),
  coilHum: kind('guitar', 'a single coil hears the mains', {
    weights: { hum: 8, buzz: 4 },
    byGuitar: true,
    goneBy: { guitarAtZero: 1, turned: 0.8 },
    isInherent: true,
  }),
  stringGround: kind('guitar', 'its strings are not grounded', {
    weights: { hum: 3, buzz: 3 },
    byGuitar: true,
    goneBy: { guitarAtZero: 1 },
  }),
  guitarJack: kind('guitar', 'its jack or a joint inside is loose', {
    weights: { noSignal: 3, crackle: 5, dropouts: 5, hum: 1 },
    moved: 0.9,
  }),
  scratchyPot: kind('guitar', 'a pot scratches', { weights: { crackle: 4 }, moved: 0.3 }),
  microphonicPickup: kind('guitar', 'a pickup or its cover sings at this volume', {
    weights: { squeal: 3 },
    byGuitar: true,
    goneBy: { guitarAtZero: 1, ampMoved: 0.7 },
  }),
  deadPickup: kind('guitar', 'a pickup is dead, or its battery is empty', {
    weights: { noSignal: 2, weak: 3, dull: 1 },
  }),

  open: kind('cable', 'the tip is not through', {
    weights: { noSignal: 6, hum: 1 },
    metered: 1,
  }),
  sleeveOpen: kind('cable', 'the sleeve is not through', {
    weights: { hum: 5, buzz: 4, weak: 1, radio: 2 },
    metered: 1,
  }),
  short: kind('cable', 'tip and sleeve touch', { weights: { noSignal: 4 }, metered: 1 }),
  leak: kind('cable', 'it leaks from tip to sleeve', {
    weights: { weak: 4, dull: 4 },
    metered: 1,
  }),
  joint: kind('cable', 'a plug or joint is loose', {
    weights: { crackle: 8, dropouts: 8, noSignal: 2, radio: 2 },
    metered: 0.5,
    moved: 0.95,
  }),
  microphonic: kind('cable', 'it sounds when it is touched', {
    weights: { crackle: 3 },
    moved: 0.95,
  }),
  otherCable: kind('cable', 'it has far more capacitance than it should', {
    weights: { dull: 4 },
    metered: 1,
  }),
  besideMains: kind('cable', 'it lies along mains or a transformer', {
    weights: { hum: 2, buzz: 1 },
    goneBy: { cablesLaidApart: 0.9 },
  }),

  muted: kind('device', 'it mutes, or its pedal is at the heel', {
    weights: { noSignal: 4, weak: 1 },
    seen: true,
    goneBy: { knobsLooked: 1 },
  }),
  dead: kind('device', 'it lets nothing through while it is on', {
    weights: { noSignal: 3, weak: 2 },
    whileOn: true,
  }),
  bypassBad: kind('device', 'its switch or bypass is worn', {
    weights: { noSignal: 2, dropouts: 3, pops: 3, weak: 1 },
  }),
  jackLoose: kind('device', 'one of its jacks is loose', {
    weights: { crackle: 4, dropouts: 4, noSignal: 1, hum: 1 },
    moved: 0.9,
  }),
  noisy: kind('device', 'it makes the noise itself', {
    weights: { hiss: 4, buzz: 1 },
    whileOn: true,
  }),
  muchGain: kind('device', 'so much gain lifts what comes before it', {
    weights: { hiss: 4, squeal: 5, hum: 1 },
    whileOn: true,
  }),
  detects: kind('device', 'its first stage detects radio', {
    weights: { radio: 3 },
    goneBy: { radiosOff: 1 },
  }),
  popsItself: kind('device', 'its switch lets DC through', { weights: { pops: 5 } }),
  loads: kind('device', 'its input stays on the line while it is off', {
    weights: { dull: 3, weak: 1 },
  }),
  fightsNext: kind('device', 'wah and fuzz feed each other', {
    weights: { squeal: 4 },
    whileOn: true,
  }),

  noPower: kind('feed', 'its DC cable or plug gives nothing', {
    weights: { noSignal: 4, weak: 1 },
    goneBy: { onBattery: 1 },
    metered: 1,
  }),
  loosePower: kind('feed', 'its DC plug is loose', {
    weights: { dropouts: 5, crackle: 2, pops: 1 },
    goneBy: { onBattery: 1 },
    metered: 0.4,
    moved: 0.9,
  }),
  sharedNoise: kind('feed', 'it shares a ground with a clocked neighbour', {
    weights: { buzz: 4, hiss: 1, hum: 1 },
    goneBy: { onBattery: 1, fedAlone: 1 },
  }),
  supplyDead: kind('supply', 'it gives nothing', {
    weights: { noSignal: 3 },
    goneBy: { onBattery: 1 },
    metered: 1,
  }),
  supplyHum: kind('supply', 'it hums through, or is asked for too much', {
    weights: { hum: 3, buzz: 3, dropouts: 1 },
    goneBy: { onBattery: 1, fedAlone: 0.6 },
  }),

  groundLoop: kind('ground', 'amp and board are grounded twice', {
    weights: { hum: 6, buzz: 3 },
    goneBy: { audioIsolated: 1 },
  }),

  ampInput: kind('destination', 'its input jack or channel is at fault', {
    weights: { noSignal: 2, weak: 1, crackle: 2, dropouts: 2 },
    moved: 0.6,
  }),
  ampNoise: kind('destination', 'it makes the noise itself', {
    weights: { hum: 2, hiss: 3, crackle: 2, buzz: 1, squeal: 1, pops: 1 },
  }),
  ampTired: kind('destination', 'a tube or its power is tired', {
    weights: { weak: 2, dull: 1, dropouts: 1 },
  }),
  ampLoopJack: kind('destination', 'its effects return is open or dirty', {
    weights: { noSignal: 2, weak: 2, dropouts: 2 },
  }),
  nearTransformer: kind('destination', 'it stands beside a transformer', {
    weights: { hum: 2 },
    goneBy: { ampMoved: 0.9 },
  }),

  lamp: kind('room', 'lamps or dimmers reach the pickups', {
    weights: { buzz: 8, hum: 3 },
    byGuitar: true,
    goneBy: { guitarAtZero: 1, lampsOff: 1, turned: 0.5 },
  }),
  transmitter: kind('room', 'a transmitter is close', {
    weights: { radio: 8, buzz: 1 },
    goneBy: { radiosOff: 1 },
  }),
  houseCircuit: kind('room', 'the house circuit is dirty', {
    weights: { hum: 2, buzz: 4 },
    goneBy: { otherCircuit: 1 },
  }),
} as const satisfies Readonly<Record<string, FaultKind>>;

export type FaultName = keyof typeof FAULT_KINDS;

/** A kind of fault with all that may be said of one. */
export const faultKind = (name: FaultName): FaultKind => FAULT_KINDS[name];
