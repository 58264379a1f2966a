import {
  conductorM,
  leadOfClass,
  type GearItem,
  type ItemOf,
  type Lead,
  type LeadClass,
} from '../gear';
import { capacitanceFor } from '../tools';
import { drivePath, routeOf } from '../path';
import { allLeads, isPatch, mainRow, type Rig, type Row } from '../rig';
import { MINUTES, NOTHING, USUAL_PRICE } from './efforts';
import type { Effort, Move } from './move';

/// Other leads, and other lengths of them.

const MOST_OF_GEAR = 3;
/** Another kind has to differ by this much to be one. */
const DIFFERENT = 0.08;

const LOW_CLASSES: readonly LeadClass[] = ['veryLow', 'low'];
const SHAPING_CLASSES: readonly LeadClass[] = ['ordinary', 'high'];

export function leadMoves(rig: Rig, gear: readonly GearItem[]): readonly Move[] {
  const free = frontLeads(rig).filter(({ id }) => !rig.brief.keptLeads.includes(id));
  const long = free.filter((lead) => !isPatch(lead));
  const patches = free.filter(isPatch);
  return [
    ...long.flatMap((lead) => [...kindMoves(rig, [lead], gear), ...lengthMoves(rig, lead)]),
    ...capacitorMoves(rig),
    ...(patches.length > 1 ? kindMoves(rig, patches, []) : []),
  ];
}

/** The leads of every row that the guitar's signal takes to the main end. */
function frontLeads(rig: Rig): readonly Lead[] {
  const isFront = ({ at }: Row) => at.kind === 'main' || at.kind === 'guitar' || at.kind === 'loop';
  return allLeads({ rows: rig.rows.filter(isFront) });
}

interface OtherKind {
  readonly key: string;
  readonly lead: Lead;
  readonly item: ItemOf<'lead'> | null;
}

function kindMoves(rig: Rig, leads: readonly Lead[], gear: readonly GearItem[]): readonly Move[] {
  const [lead] = leads as readonly [Lead];
  const now = leads.reduce((sum, { cPerMF }) => sum + cPerMF.value, 0) / leads.length;
  const isShaped = rig.approach.kind === 'shaped';
  const classes = [...LOW_CLASSES, ...(isShaped ? SHAPING_CLASSES : [])];
  const kinds: readonly OtherKind[] = [
    ...classes.map((leadClass) => ({
      key: leadClass,
      lead: leadOfClass(leadClass, lead.id, lead.lengthM),
      item: null,
    })),
    ...ownLeads(gear).map((item) => ({
      key: item.id,
      lead: { ...item.thing, gear: item.id },
      item,
    })),
  ];
  return kinds
    .filter(({ lead: like }) => {
      const ratio = (like.cPerMF.value * like.coil.value) / now;
      return isShaped ? Math.abs(ratio - 1) > DIFFERENT : ratio < 1 - DIFFERENT;
    })
    .map(({ key, lead: like, item }) => ({
      key: `kind ${leads.length > 1 ? 'patches' : lead.id} ${key}`,
      action: { kind: 'leadKind', leads: leads.map(({ id }) => id), like },
      effort: item ? effortOfItem(lead, item) : effortOfClass(leads, like),
      claims: leads.map(({ id }) => `kind ${id}`),
      condition: null,
      against: null,
    }));
}

const ownLeads = (gear: readonly GearItem[]): readonly (ItemOf<'lead'> & GearItem)[] =>
  gear
    .filter((item): item is ItemOf<'lead'> & GearItem => item.kind === 'lead' && !item.retired)
    .sort((a, b) => a.thing.cPerMF.value - b.thing.cPerMF.value)
    .slice(0, MOST_OF_GEAR);

function effortOfClass(leads: readonly Lead[], like: Lead): Effort {
  const metres = leads.reduce((sum, { lengthM }) => sum + lengthM.value, 0);
  const each = leads.length > 1 ? MINUTES.swapPatch : MINUTES.swapLead;
  return {
    ...NOTHING,
    minutes: leads.length * each,
    cost: Math.round(metres * USUAL_PRICE.leadPerM + leads.length * USUAL_PRICE.plugPair),
    isCostAssumed: true,
    buys: [leads.length > 1 ? `${leads.length} patches, ${like.name}` : like.name],
  };
}

/** Off a reel a lead is made; a made-up one is bought, at its price for its own length. */
function effortOfItem(lead: Lead, { thing, qualities }: ItemOf<'lead'>): Effort {
  const { price, form } = qualities;
  const isReel = form === 'reel';
  const metres = lead.lengthM.value;
  const perM = price === null ? 0 : isReel ? price : price / Math.max(1, thing.lengthM.value);
  return {
    ...NOTHING,
    minutes: isReel ? MINUTES.makeLead : MINUTES.swapLead,
    solders: isReel,
    cost: price === null ? 0 : Math.round(perM * metres + (isReel ? USUAL_PRICE.plugPair : 0)),
    isCostAssumed: price !== null,
    buys: price === null ? [] : [thing.name],
  };
}

/** Shorter as far as it still reaches; under "shaped" also longer. */
function lengthMoves(rig: Rig, lead: Lead): readonly Move[] {
  return lengthsFor(rig, lead).map((lengthM) => ({
    key: `length ${lead.id} ${lengthM}`,
    action: { kind: 'leadLength', lead: lead.id, lengthM },
    effort: lengthM < lead.lengthM.value ? effortOfCut(rig, lengthM) : effortOfLonger(lengthM),
    claims: [`length ${lead.id}`],
    condition: isReachKnown(rig, lead, lengthM) ? null : 'if it still reaches',
    against: null,
  }));
}

/** A lead that no place names and whose reach nobody has given is taken to reach at this share of it. */
const UNKNOWN_REACH = 0.6;
const LEAST_LONG_M = 3;

function lengthsFor(rig: Rig, lead: Lead): readonly number[] {
  const now = lead.lengthM.value;
  const reach = rig.brief.reach[lead.id]?.value;
  const isNamed = rig.situations.some(({ lengths }) => lengths[lead.id] !== undefined);
  const least = reach ?? (isNamed ? now : Math.max(LEAST_LONG_M, halves(now * UNKNOWN_REACH)));
  const shorter = least < now ? [halves((least + now) / 2), least] : [];
  return [...new Set([...shorter, ...longerFor(rig, lead)])].filter(
    (lengthM) => Math.abs(lengthM - now) > 0.2,
  );
}

function longerFor(rig: Rig, lead: Lead): readonly number[] {
  if (rig.approach.kind !== 'shaped' || mainRow(rig).leads[0]?.id !== lead.id) return [];
  const answer = capacitanceFor(drivePath(routeOf(rig)), rig.approach.wantedHz.value);
  if (answer.kind !== 'ok') return [];
  const perM = lead.cPerMF.value * (conductorM(lead) / lead.lengthM.value);
  const wanted = halves(lead.lengthM.value + answer.addF / perM);
  return wanted >= 1 && wanted <= 30 ? [wanted] : [];
}

/** A longer lead always reaches; a shorter one as far as somebody has said. */
const isReachKnown = (rig: Rig, lead: Lead, lengthM: number): boolean =>
  lengthM >= (rig.brief.reach[lead.id] ?? lead.lengthM).value;

const halves = (m: number): number => Math.round(m * 2) / 2;

/** Cut and terminated anew; where nothing is soldered, bought at that length. */
const effortOfCut = ({ brief }: Rig, lengthM: number): Effort =>
  brief.noSoldering
    ? effortOfLonger(lengthM)
    : { ...NOTHING, minutes: MINUTES.makeLead, solders: true };

const effortOfLonger = (lengthM: number): Effort => ({
  ...NOTHING,
  minutes: MINUTES.swapLead,
  cost: Math.round(lengthM * USUAL_PRICE.leadPerM + USUAL_PRICE.plugPair),
  isCostAssumed: true,
  buys: ['a lead'],
});

/** Where a kept lead has to stay as it is, the capacitor goes in the plug of another one on the way. */
function capacitorMoves(rig: Rig): readonly Move[] {
  if (rig.guitars[0]!.kind !== 'magnetic') return [];
  const goal = rig.approach.kind === 'shaped' ? 'resonance' : 'reference';
  return [
    {
      key: `capacitor ${goal}`,
      action: { kind: 'capacitor', goal },
      effort: {
        ...NOTHING,
        minutes: MINUTES.fitCapacitor,
        solders: true,
        cost: USUAL_PRICE.capacitor,
        isCostAssumed: true,
        buys: ['a capacitor'],
      },
      claims: ['capacitor'],
      condition: null,
      against: null,
    },
  ];
}
