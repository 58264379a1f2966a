import {
  analyseStates,
  measureRig,
  resonanceOf,
  semitonesBetween,
  switchesOf,
} from '../../src/figures';
import { analyseRig } from '../../src/figures';
import { wantsPickup } from '../../src/gear';
import { judgeRig } from '../../src/judgements';
import { drivePath, feedsOf, routeOf } from '../../src/path';
import {
  countedScenes,
  goalOf,
  stillSwitches,
  weightsOf,
  type Score,
  type Terms,
} from '../../src/plans';
import { applyEdits, findDevice, mainRow, goToPlace, type Rig, type Weights } from '../../src/rig';

/// The goal of a rig by the ordinary figures, state by state and place by place: nothing is shared or remembered.

const WEAK_OHM = 2000;

export function scoreAfresh(rig: Rig, weights: Weights = weightsOf(rig)): Score {
  const places =
    rig.electrical.places.length > 0
      ? rig.electrical.places.map((place) => applyEdits(rig, goToPlace(rig, place)))
      : [rig];
  const cases = places.flatMap((there) =>
    countedScenes(rig).flatMap((state) => caseOf({ ...there, state }) ?? []),
  );
  const mean = (value: (one: Case) => number) =>
    cases.reduce((sum, one) => sum + value(one), 0) / cases.length;
  const terms: Terms = {
    distance: mean(({ distance }) => distance),
    level: mean(({ level }) => level),
    resonance: weights.resonance > 0 ? mean(({ resonance }) => resonance) : 0,
    ends: openEnds(places[0]!),
    buffers: mean(({ buffers }) => buffers),
    spread: places.reduce((sum, there) => sum + spreadOf(there), 0) / places.length,
    rules: brokenRules(places[0]!),
  };
  return { goal: cases.length === 0 ? Infinity : goalOf(terms, weights), terms };
}

interface Case {
  readonly distance: number;
  readonly level: number;
  readonly resonance: number;
  readonly buffers: number;
}

function caseOf(rig: Rig): Case | null {
  const measured = measureRig(rig);
  if (measured.kind !== 'sounding') return null;
  const { stops } = drivePath(routeOf(rig));
  const device = (stop: number) => findDevice(rig, stops[stop]!.spot.id);
  const buffers = stops.filter(
    ({ role, engaged, spot }, stop) =>
      role === 'driver' &&
      spot.part !== 'back' &&
      (!engaged || ['buffer', 'bufferedSplitter'].includes(device(stop)!.deviceClass)),
  ).length;
  const found = resonanceOf(measured.nowDb);
  return {
    distance: measured.figures.distanceDb,
    level: Math.abs(measured.figures.levelDb),
    resonance:
      found.kind === 'noResonance'
        ? 12
        : Math.min(
            12,
            Math.abs(semitonesBetween(rig.electrical.approach.wantedHz.value, found.frequencyHz)),
          ),
    buffers: Math.max(0, buffers - 1),
  };
}

/** In some state of the switches that are not left on, by who can drive whom. */
function openEnds(rig: Rig): number {
  const leftOn = Object.entries(rig.texts.brief.uses).filter(([, use]) => use === 'leftOn');
  const positions = Object.fromEntries(leftOn.map(([id]) => [id, true]));
  const bare = { ...rig, state: { ...rig.state, positions, unpowered: [] } };
  const open = new Set(switchesOf(rig).filter((id) => !(id in positions)));
  const isWeak = feedsOf(routeOf(bare, undefined, { counted: open })).some(
    ({ to, source }) =>
      to.kind === 'destination' && (source.kind !== 'voltage' || source.rOutOhm > WEAK_OHM),
  );
  const { stops, sections } = drivePath(routeOf(bare));
  const passesBox = (sections[0]?.connections ?? []).some((connection) => {
    const { kind, id } = stops[connection]!.spot;
    return kind === 'device' && !wantsPickup(findDevice(rig, id)!);
  });
  return Number(passesBox) + Number(isWeak);
}

function spreadOf(rig: Rig): number {
  const still = stillSwitches(rig);
  const positions = { ...rig.state.positions, ...Object.fromEntries(still) };
  const state = { ...rig.state, positions, unpowered: [] };
  const counted = switchesOf(rig).filter((id) => !still.has(id));
  const states = analyseStates({ ...rig, state }, counted);
  return states.kind === 'states' ? states.spreadDb : 0;
}

/** By what is said to people of the same rig. */
function brokenRules(rig: Rig): number {
  const rowId = mainRow(rig).id;
  const bare = { ...rig, state: { ...rig.state, positions: {}, unpowered: [] } };
  const analysis = analyseRig(bare);
  if (analysis.kind !== 'sounding') return 0;
  const said = judgeRig(bare, rowId, analysis, { kind: 'nothingHeard' }, 'metric');
  const broken = said.filter(
    ({ kind, weight }) =>
      weight === 'warning' && (kind === 'wahIntoFuzz' || kind === 'fuzzWantsPickup'),
  );
  // One that the guitar's own electronics drive is no matter of the board.
  const byBoxes = broken.filter(({ key }) => !key.includes(':g'));
  return new Set(byBoxes.map(({ kind, spot }) => `${kind} ${spot?.id}`)).size;
}
