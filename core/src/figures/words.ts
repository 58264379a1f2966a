import { formatQuantity, formatSignedDb, type UnitSystem } from '../quantity';
import { findLead, type Rig } from '../rig';
import type { Analysis, SoundingAnalysis } from './analyseRig';
import { namePlace, nameTakeOut } from './names';
import { DIRECTION_WORDS, SIZE_WORDS, type Verdict } from './verdict';

/** What is going on and what to do next, in plain words. */
export function sayWhatIsGoingOn(rig: Rig, analysis: Analysis, system: UnitSystem): string {
  if (analysis.kind === 'silent')
    return 'Silence: the guitar’s volume is closed, or its two pickups cancel. Turn it up to see the rig.';
  if (analysis.kind === 'muted') return sayMuted(rig, analysis);
  if (analysis.kind === 'open') {
    const name = namePlace(rig, analysis.stops[analysis.at]!.place);
    return `Nothing arrives: ${name} is missing. Give it a lead to see what it does.`;
  }
  return [sayVerdict(analysis), sayCause(rig, analysis, system), sayNext(rig, analysis, system)]
    .filter((part) => part !== '')
    .join(' ');
}

function sayMuted(rig: Rig, { stops, by }: Extract<Analysis, { kind: 'muted' }>): string {
  const { place } = stops[by]!;
  const name = namePlace(rig, place);
  if (rig.standing.playing === null)
    return 'No guitar is chosen: nothing comes through. Choose one to hear the rig.';
  if (!rig.standing.powered)
    return `Without power ${name} lets nothing through. Switch the power on to hear the rest.`;
  return `${name} is engaged and lets nothing through. Stamp it to hear the rest.`;
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
  { stops, sections, takeOuts, verdict, figures }: SoundingAnalysis,
  system: UnitSystem,
): string {
  if (verdict.size === 'unlikely') return '';
  const first = sections[0]!;
  const way = formatQuantity(first.leadM, 'length', system);
  const end = stops[first.endsAt]!;
  const source = first.rOutOhm === null ? 'The pickup' : capital(namePlace(rig, stops[0]!.place));
  const driven =
    end.role === 'end'
      ? `${source} drives all ${way} of lead to ${sayEnd(rig, end.place.id)}.`
      : `${source} drives ${way} of lead before ${namePlace(rig, end.place)} takes over.`;
  // Pots and end are in the reference as well: they are no difference to it.
  const largest = takeOuts.find(
    ({ kind, gain }) =>
      kind !== 'controls' && kind !== 'end' && -gain.trebleDb * figures.trebleDb > 0,
  );
  const enough =
    largest &&
    Math.abs(largest.gain.trebleDb) >= Math.max(0.5, MOST_OF_IT * Math.abs(figures.trebleDb));
  return enough ? `${driven} Most of it goes in ${nameTakeOut(rig, stops, largest)}.` : driven;
}

function sayEnd(rig: Rig, id: string): string {
  const end = rig.ends.find((other) => other.id === id);
  return end?.kind === 'amp' ? 'the amp' : (end?.name ?? 'the end');
}

function sayNext(
  rig: Rig,
  { stops, verdict, buffer, takeOuts }: SoundingAnalysis,
  system: UnitSystem,
): string {
  if (verdict.size === 'unlikely') return 'It’s fine, leave it.';
  if (verdict.direction === 'brighter' || verdict.direction === 'thinner') {
    return 'If that is too much, a longer lead ahead of the first buffer tames it.';
  }
  if (buffer) {
    const before = stops.slice(1, buffer.stop).findLast(({ place }) => place.kind === 'device');
    const place = before
      ? `right behind ${namePlace(rig, before.place)}`
      : 'right after the first lead';
    return `If you want it back: a buffer ${place} leaves ${formatSignedDb(buffer.trebleDb)} dB.`;
  }
  const lead = takeOuts.find(({ kind, gain }) => kind === 'lead' && gain.trebleDb > 0.3);
  if (!lead) return '';
  const length = findLead(rig, stops[lead.stop]!.place.id)?.lengthM.value ?? 0;
  return `A shorter or lower-capacitance lead in place of the ${formatQuantity(length, 'length', system)} one is what would help.`;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
