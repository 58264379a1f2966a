import { partsNeeded } from '../../build';
import { sayVolts } from '../../power';
import { formatQuantity } from '../../quantity';
import { awayListOf } from '../away';
import { failsFirst, faultSteps } from '../faultSteps';
import { walkThings } from '../walk';
import { bullets, caution, plain, table, type BookSection, type HandoverQuestion } from './block';

/// The rig as it is kept: faults, spares, away, cautions, what its owner has learnt.

export function faults({ rig, hunts }: HandoverQuestion): BookSection {
  const found = hunts.flatMap(({ ending, endedAt }) =>
    ending && ending.finding !== ''
      ? [
          [
            endedAt!.slice(0, 10),
            ending.finding,
            [ending.remedy, ending.note].filter(Boolean).join(' '),
          ],
        ]
      : [],
  );
  return {
    id: 'faults',
    title: 'Finding a fault, in five steps',
    blocks: [
      caution('The amp is turned down before any plug is moved. Nothing of the mains is opened.'),
      bullets(faultSteps(rig), true),
      ...(found.length > 0
        ? [plain('Found before:'), table(['day', 'what', 'what helped'], [14, 42, 44], found)]
        : []),
    ],
  };
}

export function spares({ rig, gear }: HandoverQuestion): BookSection {
  const kept = partsNeeded(rig, gear)
    .filter(({ wanted, needed }) => wanted > needed)
    .map(({ name, unit, wanted, needed }) => {
      const more = Math.round((wanted - needed) * 10) / 10;
      return [name, unit === 'm' ? `${more} m` : String(more)];
    });
  const first = failsFirst(rig).map(([name, fails]) => [name, fails]);
  return {
    id: 'spares',
    title: 'Spares, and what goes first',
    blocks: [
      ...(kept.length > 0 ? [table(['spare', 'how many'], [70, 30], kept)] : []),
      ...(first.length > 0 ? [table(['thing', 'what goes first'], [36, 64], first)] : []),
      plain(
        'Most often it is a plug, a DC plug or a jack: cables that are trodden on, at the ends of the rig, before those on the board.',
      ),
    ],
  };
}

export function away({ rig, units }: HandoverQuestion): BookSection {
  const { items, totalKg, assumedKg, supplies, batteries, hired } = awayListOf(rig);
  const kilograms = (kg: number) => formatQuantity(kg, 'mass', units);
  const mains = supplies.map(
    ({ name, outletV }) =>
      `${name}: gives ${outletV.map(sayVolts).join(', ')}. Which mains it takes is on its plate: read it before it is plugged in abroad.`,
  );
  return {
    id: 'away',
    title: 'Away',
    blocks: [
      table(
        ['what flies', 'mass'],
        [74, 26],
        [
          ...items.map(({ name, massKg }) => [
            name,
            `${kilograms(massKg.value)}${massKg.from === 'assumed' ? ', assumed' : ''}`,
          ]),
          ['all of it, without cables', kilograms(totalKg)],
        ],
      ),
      ...(assumedKg > 0 ? [plain(`${kilograms(assumedKg)} of it nobody has weighed.`)] : []),
      ...(mains.length > 0 ? [bullets(mains)] : []),
      ...(batteries.length > 0
        ? [plain(`Batteries, which airlines count: ${batteries.join(', ')}.`)]
        : []),
      ...(hired.length > 0
        ? [
            bullets(
              hired.map(
                ({ name, destination }) =>
                  `${name}: ${destination ? `${destination.name} is hired` : 'another effects loop'}.`,
              ),
            ),
          ]
        : []),
    ],
  };
}

export const cautions = (): BookSection => ({
  id: 'cautions',
  title: 'Cautions',
  blocks: [
    bullets([
      'Never an instrument cable between amplifier and loudspeaker.',
      'Supplies of the mains and tube amplifiers stay closed: lethal voltages remain when they are unplugged. A qualified technician opens them.',
      'A safety earth is never lifted to cure hum: isolate the audio instead.',
      'Voltage and polarity before power. Bare ends are insulated.',
      'Stage mains follow local electrical codes.',
      'Ears: what is loud at the first song is too loud at the last.',
    ]),
  ],
});

export function walked({ rig }: HandoverQuestion): BookSection {
  return {
    id: 'walked',
    title: 'Walked through together',
    blocks: [
      table(
        ['done', 'what', 'day'],
        [8, 74, 18],
        walkThings(rig).map(({ id, says, caution: mind }) => {
          const day = rig.book.walked[id];
          return [day ? '[x]' : '[  ]', mind === '' ? says : `${says} ${mind}`, day ?? ''];
        }),
      ),
    ],
  };
}
