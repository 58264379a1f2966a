/// What has happened at the bench: it is kept beside the rig, and never changed by it.

/** What was found of one cable. Null is not tried. */
export interface CableTest {
  readonly id: string;
  readonly cable: string;
  readonly label: string;
  /** Of the rig, when it was tested. */
  readonly revision: number;
  readonly fingerprint: string;
  readonly lengthM: number;
  readonly tipThrough: boolean | null;
  readonly sleeveThrough: boolean | null;
  /** Where there is one. */
  readonly ringThrough: boolean | null;
  /** Between tip and sleeve, Ω; what the meter cannot show any more is written as its highest. */
  readonly leakOhm: number | null;
  readonly silentPlugs: boolean | null;
  readonly pull: boolean | null;
  readonly wiggle: boolean | null;
  readonly capacitanceF: number | null;
  readonly by: string;
  readonly note: string;
  /** A moment, as text. */
  readonly at: string;
}

/** A step that is ticked off, as what it was then. */
export interface WorkDone {
  readonly step: string;
  readonly fingerprint: string;
  /** Of the cable that it is about, m. */
  readonly lengthM: number | null;
  readonly revision: number;
  readonly by: string;
  readonly at: string;
}

/** A piece of cable that is left. */
export interface OffCut {
  readonly id: string;
  readonly name: string;
  /** The entry of the gear list that it was cut from. */
  readonly gear: string | null;
  readonly lengthM: number;
  readonly note: string;
}

/** What a hunt for a fault asks to be mended: a step of its own, until it is ticked off. */
export interface Repair {
  /** Of the hunt. */
  readonly id: string;
  readonly says: string;
  readonly detail: string;
  readonly minutes: number;
  readonly caution: string;
  /** What shows that it helped. */
  readonly proof: string;
  /** A moment, as text. */
  readonly at: string;
}

export interface BuildRecords {
  readonly tests: readonly CableTest[];
  readonly done: readonly WorkDone[];
  readonly repairs: readonly Repair[];
}

export const NO_RECORDS: BuildRecords = { tests: [], done: [], repairs: [] };

/** Tip to sleeve, at the least, Ω: a beeper does not find a leaking conductive layer. */
export const LEAST_LEAK_OHM = 20e6;
