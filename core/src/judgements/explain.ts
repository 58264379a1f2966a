import {
  measureRig,
  measurePlaces,
  nameSwitch,
  namePartLoss,
  sayStraightIn,
  sayWhatIsGoingOn,
  switchesOn,
  type Analysis,
  type ListenerScale,
  type SoundingAnalysis,
  type StatesAnalysis,
} from '../figures';
import { formatSignedDb, type UnitSystem } from '../quantity';
import { SectionSolver } from '../path';
import type { GearItem } from '../gear';
import { toggleSwitch, applyEdits, mainRow, type Rig } from '../rig';
import { adviseRig, heed, sayFirstStep, type FirstStep, type Said } from './advice';

/** A short written diagnosis: each paragraph under a word. */
export interface Explanation {
  readonly title: string;
  readonly text: string;
}

const MOST_PARTS = 3;
const LEAST_DB = 0.1;
const MOST_JUDGEMENTS = 3;

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
  scale: ListenerScale | null = null,
): readonly Explanation[] {
  const first = { title: 'What is going on', text: sayWhatIsGoingOn(rig, analysis, units, scale) };
  if (analysis.kind !== 'sounding') return [first];
  const solver = new SectionSolver();
  const said = heed(adviseRig(rig, gear, units, mainRow(rig).id, solver), rig.texts.dismissed);
  return [
    first,
    { title: 'What costs what', text: sayCosts(rig, analysis) },
    { title: 'Which switch changes it most', text: saySwitches(rig, analysis, states, solver) },
    { title: 'What is to be said', text: sayJudgements(said) },
    { title: 'What to do first', text: said.first ? sayFix(said.first) : '' },
    { title: 'Elsewhere', text: sayPlaces(rig, solver, units) },
  ].filter(({ text }) => text !== '');
}

function sayCosts(rig: Rig, { lossByPart, stops }: SoundingAnalysis): string {
  const most = lossByPart
    .filter(({ gain }) => Math.abs(gain.trebleDb) >= LEAST_DB)
    .slice(0, MOST_PARTS)
    .map((one) => `${namePartLoss(rig, stops, one)} ${formatSignedDb(one.gain.trebleDb)} dB`);
  if (most.length === 0) return 'No part by itself takes or gives as much as a tenth of a decibel.';
  return `If one of them alone were ideal, treble would change: ${most.join(', ')}. The parts act on each other, so these do not add up.`;
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

const sayJudgements = ({ judgements }: Said): string =>
  judgements
    .filter(({ kind }) => kind !== 'fine')
    .slice(0, MOST_JUDGEMENTS)
    .map(({ title, reason }) => `${title}. ${reason}`)
    .join(' ');

/** The first step, with what it takes. */
function sayFix(first: FirstStep): string {
  if (first.kind !== 'move') return sayFirstStep(first);
  const { minutes, cost, isCostAssumed } = first.plan.effort;
  const price = cost === 0 ? 'nothing to buy' : `${isCostAssumed ? 'about ' : ''}${cost} to pay`;
  return `Of all single changes this does most for what it takes: ${first.said} (${minutes} minutes, ${price}). ${first.cuts ? `${first.cuts}. ` : ''}${first.gains}.`;
}

function sayPlaces(rig: Rig, solver: SectionSolver, units: UnitSystem): string {
  const places = measurePlaces(rig, mainRow(rig).id, solver).flatMap(({ id, sound }) => {
    const { name } = rig.electrical.places.find((one) => one.id === id)!;
    return sound ? [`${name} ${formatSignedDb(sound.figures.trebleDb)} dB`] : [];
  });
  return places.length === 0
    ? ''
    : `Treble against ${sayStraightIn(rig, units)}, by place: ${places.join(', ')}.`;
}
