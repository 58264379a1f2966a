import { formatQuantity, formatSignedDb, type UnitSystem } from '../quantity';
import type { MuteReason } from '../path';
import type { Chain } from '../rig';
import type { Analysis, SectionSummary, SoundingAnalysis } from './analyseRig';
import { nameSpot, namePartLoss } from './names';
import {
  DIRECTION_WORDS,
  SIZE_WORDS,
  saysWhose,
  sizeHeard,
  type ListenerScale,
  type Verdict,
} from './verdict';

/** What is going on, in plain words: what is lost or gained, and where. @param scale whose ears the size is measured by */
export function sayWhatIsGoingOn(
  rig: Chain,
  analysis: Analysis,
  system: UnitSystem,
  scale: ListenerScale | null = null,
): string {
  if (analysis.kind === 'silent')
    return 'Silence: the guitar’s volume is closed, or its two pickups cancel. Turn it up to see the rig.';
  if (analysis.kind === 'muted') {
    const { stops, by, why } = analysis;
    return sayMuted(nameSpot(rig, stops[by]!.spot), why);
  }
  if (analysis.kind === 'open') {
    const name = nameSpot(rig, analysis.stops[analysis.at]!.spot);
    return `Nothing arrives: ${name} is missing. Give it a cable to see what it does.`;
  }
  return [sayVerdict(rig, analysis, system, scale), sayCause(rig, analysis, system)]
    .filter((part) => part !== '')
    .join(' ');
}

/** Why nothing comes through, and what to do about it. @param name of what lets nothing through */
export function sayMuted(name: string, why: MuteReason): string {
  switch (why) {
    case 'engaged':
      return `${name} is engaged and lets nothing through. Switch it to hear the rest.`;
    case 'closed':
      return `Silence: ${name} is closed, heel down. Open it to hear the rest.`;
    case 'unpowered':
      return `Without power ${name} lets nothing through. Switch the power on to hear the rest.`;
    case 'openLoop':
      return `${name} stands in a loop that is not switched in: nothing comes this way. Close the loop to hear it.`;
    case 'notPlaying':
      return `${name} is not playing: nothing comes this way. Choose it to hear this way.`;
    case 'avoided':
      return `The ways past ${name} are not counted.`;
    case 'noGuitar':
      return 'No guitar is chosen: nothing comes through. Choose one to hear the rig.';
  }
}

/** What a rig is held against, with the cable that it means. */
export const sayStraightIn = (
  { electrical: { reference } }: Pick<Chain, 'electrical'>,
  system: UnitSystem,
): string => `straight in (${formatQuantity(reference.lengthM.value, 'length', system)})`;

/** The verdict in a sentence, and after it what is always worth saying. */
function sayVerdict(
  rig: Chain,
  { figures, verdict }: SoundingAnalysis,
  system: UnitSystem,
  scale: ListenerScale | null,
): string {
  const against = sayStraightIn(rig, system);
  const { trebleDb, trebleLowDb: low, trebleHighDb: high } = figures;
  const extras = sayExtras(verdict);
  const size = sizeHeard([low, high], scale);
  const heard = `${SIZE_WORDS[size]}${saysWhose(scale)}`;
  if (size === 'unlikely') {
    const most = Math.max(Math.abs(low), Math.abs(high));
    return `Within ${most.toFixed(1)} dB of ${against}: ${heard}.${extras}`;
  }
  const oneWay = verdict.direction === 'duller' || verdict.direction === 'brighter';
  const amount = oneWay
    ? `${formatSignedDb(trebleDb)} dB of treble`
    : `${formatSignedDb(low)} dB at 2–4 kHz, ${formatSignedDb(high)} dB at 4–8 kHz`;
  const direction = capital(DIRECTION_WORDS[verdict.direction]);
  return `${direction} than ${against}, ${amount}: ${heard}.${extras}`;
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
  rig: Chain,
  { stops, sections, lossByPart, verdict, figures }: SoundingAnalysis,
  system: UnitSystem,
): string {
  if (verdict.size === 'unlikely') return '';
  const first = sections[0]!;
  const way = formatQuantity(first.cableM, 'length', system);
  const destination = stops[first.endsAt]!;
  const source = first.rOutOhm === null ? 'The pickup' : capital(nameSpot(rig, stops[0]!.spot));
  const driven =
    destination.role === 'destination'
      ? `${source} drives all ${way} of cable to ${sayDestination(rig, destination.spot.id)}${sayReferenceCable(rig, stops, system)}.`
      : `${source} drives ${way} of cable before ${nameSpot(rig, destination.spot)} takes over.`;
  const [most, less] = [
    sayMost(rig, stops, lossByPart, verdict, figures.trebleDb),
    sayLess(rig, first, verdict, system),
  ];
  return [driven, less, most].filter((part) => part !== '').join(' ');
}

const NOTHING_BETWEEN = 3;

/** With nothing between guitar and amp the cable is all the difference there is. */
function sayReferenceCable(
  { electrical: { reference } }: Chain,
  stops: SoundingAnalysis['stops'],
  system: UnitSystem,
): string {
  if (stops.length > NOTHING_BETWEEN) return '';
  return `; straight in it drives ${formatQuantity(reference.lengthM.value, 'length', system)}`;
}

/** What brings brightness where less cable hangs on the pickup than the reference has. */
function sayLess(
  { electrical }: Chain,
  { cableM, rOutOhm }: SectionSummary,
  { direction }: Verdict,
  system: UnitSystem,
): string {
  const { lengthM } = electrical.reference;
  if (rOutOhm !== null || direction === 'duller' || cableM >= lengthM.value) return '';
  return `That is less than the ${formatQuantity(lengthM.value, 'length', system)} of straight in.`;
}

/** The part that makes most of it, where one does. Pots and end are in the reference too: they are no difference to it. */
function sayMost(
  rig: Chain,
  stops: SoundingAnalysis['stops'],
  parts: SoundingAnalysis['lossByPart'],
  { direction }: Verdict,
  trebleDb: number,
): string {
  if (direction !== 'duller' && direction !== 'brighter') return '';
  const largest = parts.find(
    ({ kind, gain }) =>
      kind !== 'controls' && kind !== 'destination' && -gain.trebleDb * trebleDb > 0,
  );
  const enough =
    largest && Math.abs(largest.gain.trebleDb) >= Math.max(0.5, MOST_OF_IT * Math.abs(trebleDb));
  if (!enough) return '';
  const part = namePartLoss(rig, stops, largest);
  return direction === 'duller'
    ? `Most of the loss is in ${part}.`
    : `Most of it comes from ${part}.`;
}

function sayDestination(rig: Chain, id: string): string {
  const destination = rig.electrical.destinations.find((other) => other.id === id);
  return destination?.kind === 'amp' ? 'the amp' : (destination?.name ?? 'the destination');
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
