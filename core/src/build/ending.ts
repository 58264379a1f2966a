import type { Rig } from '../rig';
import { lanesOf, tiesEach } from './lanesOfRig';
import { MINUTES } from './minutes';
import { step, type Step } from './step';

export function ending(rig: Rig, all: readonly Step[]): readonly Step[] {
  const laidSteps = all.filter(({ kind }) => kind === 'lay').map(({ id }) => id);
  const whole = laidSteps.join(' ');
  const hasPower = rig.power.supplies.length > 0;
  const powered = hasPower ? [powerCheck(all, whole)] : [];
  const play = step({
    id: 'play',
    kind: 'play',
    says: 'Play the whole board: every switch, every way',
    detail: 'Straight in first, then through; move every plug while it sounds.',
    minutes: MINUTES.play,
    caution: 'Volume low at first.',
    needs: [...laidSteps, ...powered.map(({ id }) => id)],
    fingerprint: `play ${whole}`,
  });
  return [...powered, play, ...tying(rig, whole), ...closing(rig, all)];
}

const powerCheck = (all: readonly Step[], whole: string): Step =>
  step({
    id: 'power-check',
    kind: 'powerCheck',
    says: 'Power on: voltage and polarity at every DC plug',
    detail: 'With the meter, before a plug goes into its pedal.',
    minutes: MINUTES.powerCheck,
    tools: ['meter'],
    caution: 'Mains parts stay closed. What does not read as it should is not plugged in.',
    needs: all.filter(({ id }) => id.startsWith('lay k')).map(({ id }) => id),
    fingerprint: `power ${whole}`,
  });

/** Lane by lane; where power lies apart it is tied first. */
function tying(rig: Rig, whole: string): readonly Step[] {
  const { ways } = rig.build;
  const isApart = ways.lanes === 'apart';
  return lanesOf(rig)
    .filter(({ cables }) => cables.length > 0)
    .flatMap(({ lane, ties, cables }): Step[] => {
      const one = (id: string, says: string, needs: readonly string[], count: number): Step =>
        step({
          id,
          kind: 'tie',
          says,
          detail: `${tiesEach(rig, count)} ties${ways.change === 'modular' ? ', hook and loop' : ''}, snug and no tighter`,
          minutes: Math.max(1, Math.round(MINUTES.tieEach * tiesEach(rig, count))),
          tools: ['cutters'],
          caution: 'Cut tails flush: a sharp one cuts the next hand.',
          needs: ['play', ...needs],
          parts: ['tie'],
          fingerprint: `${id} ${whole}`,
        });
      const hasBoth =
        cables.some(({ carries }) => carries === 'audio') &&
        cables.some(({ carries }) => carries !== 'audio');
      if (!isApart || !hasBoth) return [one(`tie ${lane.id}`, `Tie ${lane.name}`, [], ties)];
      const power = one(`tie ${lane.id} power`, `Tie the power of ${lane.name}`, [], ties);
      return [
        power,
        one(`tie ${lane.id} audio`, `Tie the audio of ${lane.name}`, [power.id], ties),
      ];
    });
}

function closing(rig: Rig, all: readonly Step[]): readonly Step[] {
  const labelled = all.filter(({ kind }) => kind === 'lay');
  return [
    step({
      id: 'labels',
      kind: 'labels',
      says: 'Labels on both ends of every cable',
      minutes: Math.round(MINUTES.labelEach * labelled.length),
      needs: ['play'],
      isSpare: true,
      parts: ['label'],
      fingerprint: `labels ${labelled.map(({ cable }) => cable).join(' ')}`,
    }),
    ...(rig.build.ways.spares === 'none'
      ? []
      : [
          step({
            id: 'spares',
            kind: 'spares',
            says: 'Spares into the tin',
            detail: 'One cable of each kind, a fuse, ties, a battery.',
            minutes: MINUTES.spares,
            needs: ['play'],
            isSpare: true,
          }),
        ]),
    step({
      id: 'photo-after',
      kind: 'photoAfter',
      says: 'Photograph it as it is now',
      minutes: MINUTES.photo,
      needs: ['play'],
      isSpare: true,
    }),
  ];
}
