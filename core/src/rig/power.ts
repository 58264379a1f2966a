import { assumed, type Sourced, type Supply } from '../gear';

/// What feeds a rig. A feed is the DC cable of one thing, from the outlet to its power jack, and what is in between.

/** How this workshop feeds: every outlet by itself, quiet ones together, or in chains. */
export type Feeding = 'isolated' | 'quietShare' | 'chain';

/** What is between an outlet and a power jack. */
export type FeedVia = 'straight' | 'reversed' | 'doubled';

export interface PowerFeed {
  readonly id: string;
  /** A device or a fixture. */
  readonly consumer: string;
  readonly supply: string;
  /** Counted from 0 over all outlets of the supply. */
  readonly outlet: number;
  /** Which of the voltages of a selectable outlet; null is its usual one. */
  readonly volts: number | null;
  /** A second outlet of the same supply in series with it. */
  readonly second: number | null;
  /** In a chain: whose plug it goes on from. */
  readonly after: string | null;
  readonly via: FeedVia;
  /** Of a doubler. */
  readonly efficiency: Sourced;
  readonly lengthM: Sourced;
  /** A proposal leaves it where it is. */
  readonly isFixed: boolean;
}

/** What feeds what. */
export interface Power {
  readonly supplies: readonly Supply[];
  /** At most one for each consumer. Its consumer may be out of the rig for now. */
  readonly feeds: readonly PowerFeed[];
  readonly feeding: Feeding;
  /** The share of its rating that an outlet is filled up to. */
  readonly fill: Sourced;
  /** Of a DC cable, there and back. */
  readonly rPerMOhm: Sourced;
  /** What wants an outlet of its own whatever its class is like. */
  readonly apart: readonly string[];
  /** By supply, the destination or device that is in one box with it. */
  readonly oneBox: Readonly<Record<string, string>>;
}

/** AWG 22, there and back. */
const USUAL_R_PER_M_OHM = 0.106;

export const NO_POWER: Power = {
  supplies: [],
  feeds: [],
  feeding: 'isolated',
  fill: assumed(0.8),
  rPerMOhm: assumed(USUAL_R_PER_M_OHM),
  apart: [],
  oneBox: {},
};

/** How long a DC cable is where nobody has said, m. */
export const USUAL_DC_M = 0.5;

/** What feeds a thing, if anything does. */
export const feedOf = ({ feeds }: Power, consumer: string): PowerFeed | undefined =>
  feeds.find((feed) => feed.consumer === consumer);
