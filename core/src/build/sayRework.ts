import { formatQuantity, formatSignedDb, type UnitSystem } from '../quantity';
import { sayCableM, type BuildCable } from './cableList';
import type { Rework } from './rework';

/// What a change costs, in words.

const MOST_NAMED = 5;

const count = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

const labels = (cables: readonly BuildCable[], say: (cable: BuildCable) => string): string => {
  const named = cables.slice(0, MOST_NAMED).map(say);
  const rest = cables.length - named.length;
  return `${named.join(', ')}${rest > 0 ? ` and ${rest} more` : ''}`;
};

/** "1 h 25 min". */
export function sayMinutes(minutes: number): string {
  const [hours, rest] = [Math.floor(minutes / 60), Math.round(minutes % 60)];
  return hours === 0 ? `${rest} min` : `${hours} h ${rest} min`;
}

/** Cables, ties and minutes, each as a sentence; what is nothing is not said. */
export function sayRework(
  { made, reused, relaid, ties, tiesCut, minutes }: Omit<Rework, 'trebleDb'>,
  units: UnitSystem,
): readonly string[] {
  const size = (m: number) => sayCableM(m, units);
  const said: string[] = [];
  if (made.length > 0)
    said.push(
      `${count(made.length, 'cable is', 'cables are')} made anew: ${labels(made, ({ label, from, to, lengthM }) => `${label} ${size(lengthM)} (${from}, to ${to})`)}.`,
    );
  if (reused.length > 0)
    said.push(
      `${count(reused.length, 'cable serves', 'cables serve')} again elsewhere: ${labels(
        reused.map(({ cable }) => cable),
        ({ label, lengthM }) => `${label} ${size(lengthM)}`,
      )}.`,
    );
  if (relaid.length > 0)
    said.push(
      `${count(relaid.length, 'cable stays and is', 'cables stay and are')} laid again: ${labels(relaid, ({ label }) => label)}.`,
    );
  if (ties + tiesCut > 0)
    said.push(`${count(tiesCut, 'tie is', 'ties are')} cut, ${ties} put on again.`);
  said.push(
    minutes > 0 ? `${sayMinutes(minutes)} of work by Build’s table.` : 'No work for Build.',
  );
  return said;
}

/** What a change does to the treble; null where nothing is heard or nothing changes. */
export function sayTrebleChange({ trebleDb: { before, after } }: Rework): string | null {
  if (before === null || after === null) return null;
  const change = after - before;
  return Math.abs(change) < 0.005
    ? `Treble ${formatSignedDb(after, 2)} dB, as now.`
    : `Treble ${formatSignedDb(after, 2)} dB, ${formatSignedDb(change, 2)} dB against now.`;
}

/** Millimetres, rounded up: what is missing is never said to be less. */
export const sayMissing = (m: number, units: UnitSystem): string =>
  formatQuantity(Math.ceil(m * 1000 - 1e-6) / 1000, 'size', units);
