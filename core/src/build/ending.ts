import { connectionsOf, layBoard, loomsAt, sayLoom } from '../board';
import type { UnitSystem } from '../quantity';
import type { Rig } from '../rig';
import { sayCableM } from './cableList';
import { mountedAt, type Mounted } from './lanesOfRig';
import { MINUTES } from './minutes';
import { doneTo, shortWord, step, type Step } from './step';

export function ending(rig: Rig, all: readonly Step[], units: UnitSystem): readonly Step[] {
  const laidSteps = all.filter(({ kind }) => kind === 'lay').map(({ id }) => id);
  const whole = laidSteps.join(' ');
  const lying = all.filter(({ kind }) => kind === 'lay');
  const hasPower = rig.power.supplies.length > 0;
  const powered = hasPower ? [powerCheck(lying, whole)] : [];
  const play = step({
    id: 'play',
    kind: 'play',
    says: 'Play the whole board: every switch, every way',
    detail: 'Straight in first, then through; move every plug while it sounds.',
    minutes: MINUTES.play,
    caution: 'Volume low at first.',
    needs: [...laidSteps, ...powered.map(({ id }) => id)],
    fingerprint: doneTo(`play ${whole}`, wordOf(lying)),
  });
  return [
    ...powered,
    play,
    ...tying(rig, lying, whole),
    ...looming(rig, units),
    ...closing(rig, lying),
  ];
}

/** Everything that lies, in a word. */
const wordOf = (lying: readonly Step[]): string =>
  shortWord(lying.map(({ fingerprint }) => fingerprint).join(' '));

function powerCheck(lying: readonly Step[], whole: string): Step {
  const dc = lying.filter(({ id }) => id.startsWith('lay k'));
  return step({
    id: 'power-check',
    kind: 'powerCheck',
    says: 'Power on: voltage and polarity at every DC plug',
    detail: 'With the meter, before a plug goes into its pedal.',
    minutes: MINUTES.powerCheck,
    tools: ['meter'],
    caution: 'Mains parts stay closed. What does not read as it should is not plugged in.',
    needs: dc.map(({ id }) => id),
    fingerprint: doneTo(`power ${whole}`, wordOf(dc)),
  });
}

/** Lane by lane; where power lies apart it is tied first. */
function tying(rig: Rig, lying: readonly Step[], whole: string): readonly Step[] {
  const { ways } = rig.build;
  const isAudio = new Set(
    connectionsOf(rig).flatMap(({ id, carries }) => (carries === 'audio' ? [id] : [])),
  );
  const lies = new Map(lying.map(({ cable, fingerprint }) => [cable, fingerprint]));
  /** What a tie holds, in a word: another cable, or one that is laid anew, and it is cut and tied again. */
  const pieceOf = ({ lane, atM, cables }: Mounted): string =>
    `${lane.id}:${shortWord(`${lane.yM} ${atM}`)}:${shortWord(cables.map((id) => `${id} ${lies.get(id)}`).join(' '))}`;
  const mounted = mountedAt(rig);
  const lanes = rig.layout.lanes.filter(({ id }) => mounted.some(({ lane }) => lane.id === id));
  return lanes.flatMap((lane): Step[] => {
    const here = mounted.filter((one) => one.lane.id === lane.id);
    const one = (id: string, says: string, needs: readonly string[], held: readonly Mounted[]) =>
      step({
        id,
        kind: 'tie',
        says,
        detail: `${held.length} ties${ways.change === 'modular' ? ', hook and loop' : ''}, snug and no tighter`,
        minutes: Math.max(1, Math.round(MINUTES.tieEach * held.length)),
        tools: ['cutters'],
        caution: 'Cut tails flush: a sharp one cuts the next hand.',
        needs: ['play', ...needs],
        parts: ['tie'],
        pieces: held.map(pieceOf),
        fingerprint: `${id} ${whole}`,
      });
    const only = (wantsAudio: boolean) =>
      here.map((at) => ({
        ...at,
        cables: at.cables.filter((id) => isAudio.has(id) === wantsAudio),
      }));
    const hasBoth = [true, false].every((wantsAudio) =>
      only(wantsAudio).some(({ cables }) => cables.length > 0),
    );
    if (ways.lanes !== 'apart' || !hasBoth)
      return [one(`tie ${lane.id}`, `Tie ${lane.name}`, [], here)];
    const power = one(`tie ${lane.id} power`, `Tie the power of ${lane.name}`, [], only(false));
    return [
      power,
      one(`tie ${lane.id} audio`, `Tie the audio of ${lane.name}`, [power.id], only(true)),
    ];
  });
}

/** Cables to the amp tied as one, with what each goes on alone. */
function looming(rig: Rig, units: UnitSystem): readonly Step[] {
  if (rig.layout.looms.length === 0) return [];
  return loomsAt(rig, layBoard(rig)).map((at) => {
    const ties = Math.floor(at.trunkM / LOOM_PITCH_M) + 1;
    const alone = at.breakouts.map(
      ({ boardM, farM }) => `${sayCableM(boardM, units)} and ${sayCableM(farM, units)}`,
    );
    return step({
      id: `tie ${at.loom.id}`,
      kind: 'tie',
      says: `Tie ${sayLoom(at, units)}`,
      detail: `${ties} ties; alone at the board and at the amp: ${alone.join('; ')}`,
      minutes: Math.max(1, Math.round(MINUTES.tieEach * ties)),
      tools: ['cutters'],
      needs: ['play'],
      parts: ['tie'],
      pieces: Array.from(
        { length: ties },
        (_, i) => `${at.loom.id}:${i}:${shortWord(at.loom.cables.join(' '))}`,
      ),
    });
  });
}

/** From tie to tie along a loom, m. */
const LOOM_PITCH_M = 0.5;

function closing(rig: Rig, labelled: readonly Step[]): readonly Step[] {
  return [
    step({
      id: 'labels',
      kind: 'labels',
      says: 'Labels on both ends of every cable',
      minutes: Math.round(MINUTES.labelEach * labelled.length),
      needs: ['play'],
      isSpare: true,
      parts: ['label'],
      pieces: labelled.map(
        ({ cable, fingerprint }) => `${cable}:${shortWord(fingerprint.split('#')[0]!)}`,
      ),
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
