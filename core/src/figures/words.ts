import { formatQuantity, formatSignedDb, type UnitSystem } from '../quantity';
import type { TakeOut } from '../path';
import type { Rig } from '../rig';
import type { Analysis, SoundingAnalysis } from './analyseRig';
import { DIRECTION_WORDS, SIZE_WORDS, type Verdict } from './verdict';

/** What is going on and what to do next, in plain words. */
export function sayWhatIsGoingOn(rig: Rig, analysis: Analysis, system: UnitSystem): string {
  if (analysis.kind === 'silent')
    return 'The guitar’s volume is closed: silence. Turn it up to see the rig.';
  if (analysis.kind === 'muted') {
    const name = rig.devices[analysis.by]!.name;
    return `${name} is engaged and lets nothing through. Stamp it to hear the rest.`;
  }
  return [sayVerdict(analysis), sayCause(rig, analysis, system), sayNext(rig, analysis, system)]
    .filter((part) => part !== '')
    .join(' ');
}

/** The verdict in a sentence, and after it what is always worth saying. */
export function sayVerdict({ figures, verdict }: SoundingAnalysis): string {
  const { trebleDb, trebleLowDb: low, trebleHighDb: high } = figures;
  const extras = sayExtras(verdict);
  if (verdict.size === 'unlikely') {
    const most = Math.max(Math.abs(low), Math.abs(high));
    return `Within ${most.toFixed(1)} dB of straight in: ${SIZE_WORDS.unlikely}.${extras}`;
  }
  const oneWay = verdict.direction === 'duller' || verdict.direction === 'brighter';
  const amount = oneWay
    ? `${formatSignedDb(trebleDb)} dB of treble`
    : `${formatSignedDb(low)} dB at 2–4 kHz, ${formatSignedDb(high)} dB at 4–8 kHz`;
  const direction = capital(DIRECTION_WORDS[verdict.direction]);
  return `${direction} than straight in, ${amount}: ${SIZE_WORDS[verdict.size]}.${extras}`;
}

function sayExtras({ resonanceMoved, resonanceRaisedDb, levelDb }: Verdict): string {
  const extras: string[] = [];
  if (resonanceMoved !== null) {
    const way = resonanceMoved < 0 ? 'down' : 'up';
    extras.push(`the resonance is ${Math.abs(resonanceMoved).toFixed(1)} semitones ${way}`);
  }
  if (resonanceRaisedDb !== null) {
    extras.push(
      `its peak ${Math.abs(resonanceRaisedDb).toFixed(1)} dB ${resonanceRaisedDb < 0 ? 'lower' : 'higher'}`,
    );
  }
  if (levelDb !== null) extras.push(`the level ${formatSignedDb(levelDb)} dB`);
  return extras.length === 0 ? '' : ` ${capital(extras.join(', '))}.`;
}

/** How much of the whole change one element must make to be called most of it. */
const MOST_OF_IT = 0.35;

function sayCause(
  rig: Rig,
  { sections, takeOuts, verdict, figures }: SoundingAnalysis,
  system: UnitSystem,
): string {
  if (verdict.size === 'unlikely') return '';
  const first = sections[0]!;
  const way = formatQuantity(first.leadM, 'length', system);
  const end = rig.devices[first.endsAt];
  const driven = end
    ? `The pickup drives ${way} of lead before ${end.name} takes over.`
    : `The pickup drives all ${way} of lead to the amp.`;
  // Pots and amp are in the reference as well: they are no difference to it.
  const largest = takeOuts.find(
    ({ kind, gain }) =>
      kind !== 'controls' && kind !== 'amp' && -gain.trebleDb * figures.trebleDb > 0,
  );
  const enough =
    largest &&
    Math.abs(largest.gain.trebleDb) >= Math.max(0.5, MOST_OF_IT * Math.abs(figures.trebleDb));
  return enough ? `${driven} Most of it goes in ${nameTakeOut(rig, largest)}.` : driven;
}

function sayNext(
  rig: Rig,
  { verdict, buffer, takeOuts }: SoundingAnalysis,
  system: UnitSystem,
): string {
  if (verdict.size === 'unlikely') return 'It’s fine, leave it.';
  if (verdict.direction === 'brighter' || verdict.direction === 'thinner') {
    return 'If that is too much, a longer lead ahead of the first buffer tames it.';
  }
  if (buffer) {
    const place =
      buffer.gap === 0
        ? 'right after the first lead'
        : `right behind ${rig.devices[buffer.gap - 1]!.name}`;
    return `If you want it back: a buffer ${place} leaves ${formatSignedDb(buffer.trebleDb)} dB.`;
  }
  const lead = takeOuts.find(({ kind, gain }) => kind === 'lead' && gain.trebleDb > 0.3);
  if (!lead) return '';
  const length = formatQuantity(rig.leads[lead.index]!.lengthM.value, 'length', system);
  return `A shorter or lower-capacitance lead in place of the ${length} one is what would help.`;
}

/** What a take-out speaks of, as people would call it. */
export function nameTakeOut(rig: Rig, { kind, index }: Pick<TakeOut, 'kind' | 'index'>): string {
  switch (kind) {
    case 'lead':
      return nameLead(rig, index);
    case 'bypass':
      return `${rig.devices[index]!.name}, bypassed`;
    case 'input':
      return `the input of ${rig.devices[index]!.name}`;
    case 'output':
      return `the output of ${rig.devices[index]!.name}`;
    case 'controls':
      return 'the guitar’s own pots';
    case 'amp':
      return 'the amp’s input';
  }
}

/** A lead by what it joins: "the lead in", "the lead to the amp", "the patch to Ember". */
export function nameLead(rig: Rig, index: number): string {
  if (index === rig.devices.length) return index === 0 ? 'the lead' : 'the lead to the amp';
  return index === 0 ? 'the lead in' : `the patch to ${rig.devices[index]!.name}`;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
