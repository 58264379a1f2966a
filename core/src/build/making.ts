import type { Rig } from '../rig';
import type { UnitSystem } from '../quantity';
import { sayCableM, type BuildCable } from './cableList';
import { MINUTES } from './minutes';
import { BLADE, doneTo, step, type Step } from './step';

const SOLDER =
  'The iron is at 350 °C and the fumes are no good to breathe: a stand, air, and eyes covered when wire ends are clipped.';
/** Cut, both ends, test, lay: what is bought is only tested and laid. */
export function stepsOf(
  rig: Rig,
  cable: BuildCable,
  ready: readonly string[],
  units: UnitSystem,
): readonly Step[] {
  const made = cable.isBought ? [] : [cut(cable, units), ends(rig, cable)];
  const test = tested(cable, made.slice(-1));
  return [...made, test, laid(cable, [...ready, test.id], units)];
}

const about = ({ id, fingerprint, stock }: BuildCable) => ({
  cable: id,
  fingerprint: doneTo(fingerprint, stock),
});

const cut = (cable: BuildCable, units: UnitSystem): Step =>
  step({
    ...about(cable),
    id: `cut ${cable.id}`,
    kind: 'cut',
    says: `Cut ${cable.label}: ${sayCableM(cable.cutM, units)} of ${cable.stock}`,
    minutes: MINUTES.cut,
    tools: ['cutters', 'rule'],
    caution: BLADE,
    parts: [`cable ${cable.stock}`],
  });

const ends = (rig: Rig, cable: BuildCable): Step =>
  step({
    ...about(cable),
    id: `end ${cable.id}`,
    kind: 'end',
    says:
      cable.kind === 'dc'
        ? `New plug at the supply end of ${cable.label}`
        : `Both plugs on ${cable.label}`,
    detail: `${cable.plugs[0]} at ${cable.from}; ${cable.plugs[1]} at ${cable.to}`,
    needs: [`cut ${cable.id}`],
    ...endWays(rig, cable),
  });

const tested = (cable: BuildCable, after: readonly Step[]): Step =>
  step({
    ...about(cable),
    id: `test ${cable.id}`,
    kind: 'test',
    says: `Test ${cable.label}`,
    detail:
      cable.kind === 'dc'
        ? 'Through on both poles; polarity as the pedal says.'
        : 'Tip, sleeve, no leak, pull, wiggle, pF.',
    minutes: MINUTES.test,
    tools: ['meter'],
    needs: after.map(({ id }) => id),
  });

function endWays({ build: { ways } }: Rig, cable: BuildCable) {
  const ends = cable.kind === 'dc' ? 1 : 2;
  const isSolid = ways.strand === 'solid' ? 1.2 : 1;
  const parts =
    cable.kind === 'dc' ? ['plug DC plug'] : [...new Set(cable.plugs)].map((one) => `plug ${one}`);
  return ways.joints === 'soldered'
    ? {
        minutes: Math.round(ends * MINUTES.solderPlug * isSolid),
        tools: ['iron', 'solder', 'stripper'],
        caution: SOLDER,
        parts,
      }
    : {
        minutes: Math.round(ends * MINUTES.screwPlug * isSolid),
        tools: ['screwdriver', 'cutters'],
        caution: `${BLADE} A screw that is too tight cuts the core; check it before every run.`,
        parts,
      };
}

export const laid = (cable: BuildCable, needs: readonly string[], units: UnitSystem): Step =>
  step({
    id: `lay ${cable.id}`,
    kind: 'lay',
    says: `Lay ${cable.label}: ${cable.from} to ${cable.to}`,
    detail: cable.isBought ? cable.stock : sayCableM(cable.lengthM, units),
    minutes: MINUTES.lay,
    needs: [...needs],
    cable: cable.id,
    fingerprint: doneTo(cable.fingerprint, cable.lies),
    caution: cable.kind === 'dc' ? 'Voltage and polarity before the plug goes in.' : '',
  });
