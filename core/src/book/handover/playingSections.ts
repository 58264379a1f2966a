import {
  measurePlaces,
  measureRig,
  measureScenes,
  nameSwitches,
  sayOn,
  switchesOn,
} from '../../figures';
import { formatQuantity, formatSignedDb, type UnitSystem } from '../../quantity';
import { mainRow, type Rig } from '../../rig';
import { cueSheetOf, type CueSheet } from '../cues';
import {
  decibels,
  plain,
  table,
  type BookBlock,
  type BookSection,
  type HandoverQuestion,
} from './block';

/// The rig as it is played: scenes, songs, figures.

export function playing({ rig, units }: HandoverQuestion): BookSection {
  const { scenes } = rig.electrical;
  const sounds = new Map(measureScenes(rig, mainRow(rig).id).map(({ id, sound }) => [id, sound]));
  const switches = switchesOn(rig);
  const rows = scenes.map(({ id, name, state }) => {
    const sound = sounds.get(id);
    const treble = sound ? decibels(sound.figures.trebleDb) : 'nothing heard';
    return [name, sayOn(rig, switches, state.positions), treble];
  });
  return {
    id: 'playing',
    title: 'Scenes and cue sheet',
    blocks: [
      ...(rows.length > 0 ? [table(['scene', 'on', 'treble'], [24, 58, 18], rows)] : []),
      ...cueBlocks(rig, units),
    ],
  };
}

/** How far the foot goes, or what stands in its way. */
export const sayTravel = (travelM: number | null, units: UnitSystem): string =>
  travelM === null ? 'not placed' : formatQuantity(travelM, 'length', units);

function cueBlocks(rig: Rig, units: UnitSystem): readonly BookBlock[] {
  const { cues, presses, travelM, kill, switcher } = cueSheetOf(rig);
  if (cues.length === 0) return [];
  const rows = cues.map((cue, i) => [
    String(i + 1),
    cue.song.title,
    `${cue.guitar.name}${cue.isChange ? `, change${kill ? ` with ${kill} on` : ' with the volume down'}` : ''}`,
    cue.song.tuning,
    cue.scene?.name ?? '',
    cue.presses.join(' · '),
    [cue.song.note, ...cue.missing.map((what) => `${what} is gone`)].filter(Boolean).join('; '),
  ]);
  return [
    table(
      ['no.', 'song', 'guitar', 'tuning', 'scene', 'press', 'note'],
      [5, 20, 20, 12, 13, 18, 12],
      rows,
    ),
    plain(sayPresses({ presses, travelM, switcher }, units)),
  ];
}

/** How much the foot has to do over an evening, and what a switcher would save. */
export function sayPresses(
  { presses, travelM, switcher }: Pick<CueSheet, 'presses' | 'travelM' | 'switcher'>,
  units: UnitSystem,
): string {
  const all = `${presses} presses between the songs, ${sayTravel(travelM, units)} of the foot from switch to switch.`;
  return switcher
    ? `${all} A switcher would save ${switcher.presses} of them and the ${sayTravel(switcher.travelM, units)}.`
    : all;
}

const FIGURES = [
  ['Treble, 2–8 kHz', 'trebleDb'],
  ['2–4 kHz', 'trebleLowDb'],
  ['4–8 kHz', 'trebleHighDb'],
  ['Level, 400 Hz', 'levelDb'],
] as const;

export function figures({ rig, bands }: HandoverQuestion): BookSection {
  const measured = measureRig(rig);
  const rows =
    measured.kind === 'sounding'
      ? FIGURES.map(([name, key]) => [
          name,
          decibels(measured.figures[key]),
          bands ? `${formatSignedDb(bands[key].low)} to ${formatSignedDb(bands[key].high)} dB` : '',
        ])
      : [];
  const places = new Map(measurePlaces(rig, mainRow(rig).id).map(({ id, sound }) => [id, sound]));
  const own = rig.electrical.ownDestination ?? rig.electrical.destinations[0]!;
  const atPlaces = rig.electrical.places.map(({ id, name, destination }) => [
    name,
    destination ? `${destination.name}, hired` : own.name,
    places.get(id) ? decibels(places.get(id)!.figures.trebleDb) : 'nothing heard',
  ]);
  const on = nameSwitches(
    rig,
    switchesOn(rig).filter((id) => rig.state.positions[id]),
  );
  return {
    id: 'figures',
    title: 'Figures, and how sure they are',
    blocks: [
      plain(
        `Against the same guitar straight in, with ${on.length > 0 ? `${on.join(', ')} on` : 'everything off'}.`,
      ),
      ...(rows.length > 0
        ? [table(['figure', 'value', 'nine in ten lie between'], [40, 26, 34], rows)]
        : [plain('Nothing is heard as the switches stand.')]),
      ...(atPlaces.length > 0
        ? [table(['place', 'plugged into', 'treble'], [34, 42, 24], atPlaces)]
        : []),
      plain(
        'Figures are of the model. It does not know what a pedal does to the sound while it is on, how an amp is set, or a room.',
      ),
    ],
  };
}
