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

/** The verdict as a phrase: "Plainly duller …" reads badly aloud, so size and direction stand apart. */
export function sayVerdict({ figures, verdict }: SoundingAnalysis): string {
  if (verdict.size === 'unlikely') {
    return `Within ${Math.max(Math.abs(figures.trebleLowDb), Math.abs(figures.trebleHighDb)).toFixed(1)} dB of straight in: ${SIZE_WORDS.unlikely}.${sayExtras(verdict)}`;
  }
  const direction = capital(DIRECTION_WORDS[verdict.direction]);
  return `${direction} than straight in, ${formatSignedDb(figures.trebleDb)} dB of treble: ${SIZE_WORDS[verdict.size]}.${sayExtras(verdict)}`;
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

function sayCause(
  rig: Rig,
  { sections, takeOuts, verdict }: SoundingAnalysis,
  system: UnitSystem,
): string {
  if (verdict.size === 'unlikely') return '';
  const first = sections[0]!;
  const way = formatQuantity(first.leadM, 'length', system);
  const end = rig.devices[first.endsAt];
  const exposed = end
    ? `The pickup drives ${way} of lead before ${end.name} takes over.`
    : `The pickup drives all ${way} of lead to the amp.`;
  const [largest] = takeOuts.filter(({ gain }) => gain.trebleDb * -takeOutSign(verdict) > 0);
  return largest ? `${exposed} Most of it goes in ${nameTakeOut(rig, largest)}.` : exposed;
}

/** −1 where the rig is duller: elements that would bring treble back then have a positive take-out. */
const takeOutSign = ({ direction }: Verdict): number =>
  direction === 'brighter' || direction === 'thinner' ? 1 : -1;

function sayNext(
  rig: Rig,
  { verdict, buffer, takeOuts }: SoundingAnalysis,
  system: UnitSystem,
): string {
  if (verdict.size === 'unlikely') return 'It’s fine, leave it.';
  if (verdict.direction === 'brighter') return 'If that is too much, a longer lead tames it.';
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
