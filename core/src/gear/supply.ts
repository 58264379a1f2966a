import { spaceJacks, typicalCase, type Case } from './case';
import type { Polarity } from './powerNeed';
import { assumed, type Provenance, type Sourced } from './sourced';

/// What feeds a rig: supplies with their outlets, and what goes between an outlet and a power jack.

export type SupplyClass = 'brick' | 'diWithOutlets' | 'mainsAdaptor' | 'battery';

/** Whether an outlet has a ground of its own. */
export type OutletGround = 'isolated' | 'shared';

/**
 * Outlets of a supply that are all alike. Up to three voltages can be selected, each with the current that it
 * gives then; 0 where there is no second or third.
 */
export interface OutletGroup {
  readonly ground: OutletGround;
  readonly polarity: Exclude<Polarity, 'none'>;
  readonly outlets: number;
  readonly volts: number;
  readonly amps: number;
  readonly volts2: number;
  readonly amps2: number;
  readonly volts3: number;
  readonly amps3: number;
}

export interface Supply {
  readonly id: string;
  readonly name: string;
  readonly supplyClass: SupplyClass;
  readonly groups: readonly OutletGroup[];
  /** Where what is said of its outlets is from. */
  readonly groupsFrom: Provenance;
  /** What all of its outlets give together, W; 0 where that is the sum of them. */
  readonly totalW: Sourced;
  /** Of a battery, C; 0 for anything else. */
  readonly chargeC: Sourced;
  /** Unknown until somebody has held a rule to it. */
  readonly body?: Case;
}

export const MOST_GROUPS = 8;
export const MOST_OUTLETS = 32;

/** Outlets with one voltage. */
export const outletGroup = (
  outlets: number,
  volts: number,
  amps: number,
  more: Partial<OutletGroup> = {},
): OutletGroup => ({
  ground: 'isolated',
  polarity: 'centreNegative',
  outlets,
  volts,
  amps,
  volts2: 0,
  amps2: 0,
  volts3: 0,
  amps3: 0,
  ...more,
});

interface SupplyRule {
  readonly label: string;
  readonly group: OutletGroup;
  readonly chargeC: number;
  /** From the mains. */
  readonly isMains: boolean;
}

const AMPERE_HOUR = 3600;

export const SUPPLY_CLASSES: Readonly<Record<SupplyClass, SupplyRule>> = {
  brick: { label: 'supply', group: outletGroup(6, 9, 0.1), chargeC: 0, isMains: true },
  diWithOutlets: {
    label: 'DI and supply in one',
    group: outletGroup(4, 9, 0.1),
    chargeC: 0,
    isMains: true,
  },
  mainsAdaptor: {
    label: 'mains adaptor',
    group: outletGroup(1, 9, 0.5),
    chargeC: 0,
    isMains: true,
  },
  battery: {
    label: 'battery',
    group: outletGroup(1, 9, 0.05),
    chargeC: 0.5 * AMPERE_HOUR,
    isMains: false,
  },
};

export const supplyOfClass = (
  supplyClass: SupplyClass,
  name: string = SUPPLY_CLASSES[supplyClass].label,
): Supply => ({
  id: 'x1',
  name,
  supplyClass,
  groups: [SUPPLY_CLASSES[supplyClass].group],
  groupsFrom: 'assumed',
  totalW: assumed(0),
  chargeC: assumed(SUPPLY_CLASSES[supplyClass].chargeC),
});

/** One voltage of an outlet, and the current that it gives then. */
export interface OutletSetting {
  readonly volts: number;
  readonly amps: number;
}

/** The settings of the outlets of a group, the usual one first. */
export const settingsOf = (group: OutletGroup): readonly OutletSetting[] =>
  [
    { volts: group.volts, amps: group.amps },
    { volts: group.volts2, amps: group.amps2 },
    { volts: group.volts3, amps: group.amps3 },
  ].filter(({ volts }, i) => i === 0 || volts > 0);

export const outletCount = ({ groups }: Supply): number =>
  groups.reduce((sum, { outlets }) => sum + outlets, 0);

/** Which group an outlet is of, counted from 0 over all groups; -1 where there is no such outlet. */
export function groupIndexOf({ groups }: Supply, outlet: number): number {
  let behind = 0;
  return groups.findIndex(({ outlets }) => outlet >= 0 && outlet < (behind += outlets));
}

const JACKS_AT_BACK = 40;

/** A case for a supply that nobody has held a rule to: an outlet is a power jack at its back. */
export function typicalSupplyCase(supply: Supply): Case {
  const isBrick = supply.supplyClass === 'brick' || supply.supplyClass === 'diWithOutlets';
  const sizeM = isBrick ? ([0.16, 0.09, 0.038] as const) : ([0.05, 0.03, 0.026] as const);
  const body = typicalCase({ sizeM, massKg: isBrick ? 0.6 : 0.05, switches: 0 }, []);
  const count = Math.min(JACKS_AT_BACK, outletCount(supply));
  const wanted = Array.from({ length: count }, () => ['power', 'back'] as const);
  return { ...body, jacks: spaceJacks(wanted, [sizeM[0], sizeM[1]]) };
}

/** The case of a supply: its own, or what is usual. */
export const supplyCaseOf = (supply: Supply): Case => supply.body ?? typicalSupplyCase(supply);

/**
 * What goes between an outlet and a power jack. A reverser turns the poles of one plug, a doubler gives twice the
 * voltage, a series cable adds two isolated outlets, a chain cable goes on to one more jack.
 */
export type AdaptorClass = 'reverser' | 'doubler' | 'seriesCable' | 'chainCable';

export interface Adaptor {
  readonly id: string;
  readonly name: string;
  readonly adaptorClass: AdaptorClass;
  /** Power out over power in; acts in a doubler only. */
  readonly efficiency: Sourced;
  /** What it lets through. */
  readonly mostA: Sourced;
}

/** Of a doubler, where nobody has said. */
export const USUAL_EFFICIENCY = 0.85;

export const ADAPTOR_CLASSES: Readonly<Record<AdaptorClass, { readonly label: string }>> = {
  reverser: { label: 'polarity adaptor' },
  doubler: { label: 'voltage doubler' },
  seriesCable: { label: 'series cable' },
  chainCable: { label: 'chain cable' },
};

export const adaptorOfClass = (
  adaptorClass: AdaptorClass,
  name: string = ADAPTOR_CLASSES[adaptorClass].label,
): Adaptor => ({
  id: 'x1',
  name,
  adaptorClass,
  efficiency: assumed(adaptorClass === 'doubler' ? USUAL_EFFICIENCY : 1),
  mostA: assumed(adaptorClass === 'doubler' ? 0.2 : 2),
});
