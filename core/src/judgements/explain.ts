import {
  measureRig,
  measurePlaces,
  nameSwitch,
  namePartLoss,
  sayWhatIsGoingOn,
  switchesOn,
  type Analysis,
  type SoundingAnalysis,
  type StatesAnalysis,
} from '../figures';
import { formatSignedDb, type UnitSystem } from '../quantity';
import { SectionSolver } from '../path';
import type { GearItem } from '../gear';
import { choosePlans, sayGains, sayLeaveAlone, sayMoves, searchToEnd, weightsOf } from '../plans';
import { toggleSwitch, applyEdits, mainRow, type Rig } from '../rig';
import { judgeRig } from './judge';

/** A short written diagnosis: each paragraph under a word. */
export interface Explanation {
  readonly title: string;
  readonly text: string;
}

const MOST_PARTS = 3;
const LEAST_DB = 0.1;
const MOST_REMEDIES = 3;

/**
 * What is going on in a rig on its main way, what costs what, which switch changes the sound most, what
 * would fix it, and how it is elsewhere: to be read, copied or printed.
 */
export function explainRig(
  rig: Rig,
  analysis: Analysis,
  states: StatesAnalysis,
  units: UnitSystem,
  gear: readonly GearItem[] = [],
): readonly Explanation[] {
  const first = { title: 'What is going on', text: sayWhatIsGoingOn(rig, analysis, units) };
  if (analysis.kind !== 'sounding') return [first];
  const solver = new SectionSolver();
  return [
    first,
    { title: 'What costs what', text: sayCosts(rig, analysis) },
    { title: 'Which switch changes it most', text: saySwitches(rig, analysis, states, solver) },
    { title: 'What would help', text: sayRemedies(rig, analysis, states, units) },
    { title: 'What would fix it', text: sayFix(rig, gear, units) },
    { title: 'Elsewhere', text: sayPlaces(rig, solver) },
  ].filter(({ text }) => text !== '');
}

function sayCosts(rig: Rig, { lossByPart, stops }: SoundingAnalysis): string {
  const most = lossByPart
    .filter(({ gain }) => Math.abs(gain.trebleDb) >= LEAST_DB)
    .slice(0, MOST_PARTS)
    .map((one) => `${namePartLoss(rig, stops, one)} ${formatSignedDb(one.gain.trebleDb)} dB`);
  if (most.length === 0) return 'No part by itself takes or gives as much as a tenth of a decibel.';
  return `Were each by itself ideal, treble would change by: ${most.join(', ')}. The parts act on each other: these do not add up.`;
}

/** What every foot-switch or loop by itself would do now. */
function saySwitches(
  rig: Rig,
  { figures }: SoundingAnalysis,
  states: StatesAnalysis,
  solver: SectionSolver,
): string {
  const changes = switchesOn(rig, mainRow(rig).id).flatMap((id) => {
    const other = measureRig(applyEdits(rig, toggleSwitch(rig, id)), solver);
    if (other.kind !== 'sounding') return [];
    return [{ id, db: other.figures.trebleDb - figures.trebleDb }];
  });
  const [most] = changes.sort((a, b) => Math.abs(b.db) - Math.abs(a.db));
  if (!most || Math.abs(most.db) < LEAST_DB) return '';
  const on = rig.state.positions[most.id] ? 'off' : 'on';
  const one = `${nameSwitch(rig, most.id)} switched ${on} would change treble by ${formatSignedDb(most.db)} dB, more than any other switch.`;
  if (states.kind === 'nothingHeard') return one;
  const { dullest, brightest, spreadDb } = states;
  return `${one} By switching alone treble moves between ${formatSignedDb(dullest.trebleDb)} and ${formatSignedDb(brightest.trebleDb)} dB, ${spreadDb.toFixed(1)} dB apart.`;
}

function sayRemedies(
  rig: Rig,
  analysis: SoundingAnalysis,
  states: StatesAnalysis,
  units: UnitSystem,
): string {
  const said = judgeRig(rig, mainRow(rig).id, analysis, states, units)
    .filter(({ key }) => !rig.texts.dismissed.includes(key))
    .slice(0, MOST_REMEDIES);
  return said.map(({ title, reason }) => `${title}. ${reason}`).join(' ');
}

/** The one change that the search for plans would advise, over all scenes and places. */
function sayFix(rig: Rig, gear: readonly GearItem[], units: UnitSystem): string {
  const { front, asItIs } = searchToEnd(rig, gear, { mostMoves: 1 });
  const proposals = choosePlans(front, asItIs);
  const advised = proposals.find(({ isAdvised }) => isAdvised)!;
  const { plan } = advised;
  if (plan.moves.length === 0) return sayLeaveAlone(advised, proposals.at(-1)!.plan);
  const { minutes, cost, isCostAssumed } = plan.effort;
  const price = cost === 0 ? 'nothing to buy' : `${isCostAssumed ? 'about ' : ''}${cost} to pay`;
  return `Of all single changes this does most for what it takes: ${sayMoves(rig, plan, units)[0]} (${minutes} minutes, ${price}). ${sayGains(plan, asItIs, weightsOf(rig))}.`;
}

function sayPlaces(rig: Rig, solver: SectionSolver): string {
  const places = measurePlaces(rig, mainRow(rig).id, solver).flatMap(({ id, sound }) => {
    const { name } = rig.electrical.places.find((one) => one.id === id)!;
    return sound ? [`${name} ${formatSignedDb(sound.figures.trebleDb)} dB`] : [];
  });
  return places.length === 0 ? '' : `Treble against straight in, by place: ${places.join(', ')}.`;
}
