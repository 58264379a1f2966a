import { drawBoard, layBoard } from '../../board';
import { cableList, sayCableM } from '../../build';
import { APPROACH_WORDS } from '../../judgements';
import {
  failuresOf,
  feedingsOf,
  sayAmps,
  sayLeft,
  sayOutlet,
  sayVolts,
  type PowerSource,
} from '../../power';
import type { Rig } from '../../rig';
import { drawRunOnPaper, runLegend } from '../drawRun';
import { numbered } from '../numbered';
import {
  caution,
  plain,
  table,
  type BookBlock,
  type BookSection,
  type HandoverQuestion,
} from './block';

/// The rig as it is: its way, its board, its cables, its power.

export function signal({ rig, units }: HandoverQuestion): BookSection {
  const note = rig.texts.note.trim();
  return {
    id: 'signal',
    title: 'The way of the signal',
    blocks: [
      ...(note === '' ? [] : [plain(note)]),
      plain(`Approach: ${APPROACH_WORDS[rig.electrical.approach.kind].name}.`),
      { kind: 'drawing', drawing: drawRunOnPaper(rig, units) },
      plain(
        'Under the line: how wide the treble is that is left, and in figures, in dB against straight in.',
      ),
      plain(`In order: ${runLegend(rig, units).join('; ')}.`),
    ],
  };
}

export function board({ rig, units }: HandoverQuestion): BookSection {
  if (layBoard(rig).standings.length === 0) return { id: 'board', title: 'The board', blocks: [] };
  const { drawing: above, legend } = numbered(drawBoard(rig, 'From above', 'layout', units), rig);
  const { drawing: below } = numbered(drawBoard(rig, 'From below', 'underside', units), rig);
  return {
    id: 'board',
    title: 'The board',
    blocks: [
      { kind: 'drawing', drawing: above },
      { kind: 'drawing', drawing: below },
      plain(`Dashed: on the other side. ${legend}`),
    ],
  };
}

export function cables({ rig, gear, units }: HandoverQuestion): BookSection {
  return {
    id: 'cables',
    title: 'Cables',
    blocks: [
      plain('Every cable has its label at both ends.'),
      table(
        ['label', 'from', 'to', 'of', 'length', 'boots'],
        [8, 27, 27, 20, 10, 8],
        cableList(rig, gear).map((one) => [
          one.label,
          one.from,
          one.to,
          one.stock,
          sayCableM(one.lengthM, units),
          one.boot,
        ]),
      ),
    ],
  };
}

export function power(question: HandoverQuestion): BookSection {
  const { consumers } = feedingsOf(question.rig);
  if (consumers.length === 0) return { id: 'power', title: 'Power', blocks: [] };
  return {
    id: 'power',
    title: 'What feeds what',
    blocks: [
      caution(
        'Voltage and polarity before the plug goes in. Mains parts stay closed; a safety earth is never lifted.',
      ),
      feedTable(question),
      ...failureTable(question.rig),
    ],
  };
}

const nameOfSupply = ({ power: { supplies } }: Rig, id: string): string =>
  supplies.find((one) => one.id === id)?.name ?? id;

function feedTable({ rig, gear }: HandoverQuestion): BookBlock {
  const { consumers, fed } = feedingsOf(rig);
  const labels = new Map(cableList(rig, gear).map(({ id, label }) => [id, label]));
  const rows = consumers.map(({ id, name }) => {
    const one = fed.get(id);
    if (!one) return [name, 'nothing', '', '', ''];
    const { feed, volts, amps } = one;
    const from = sayOutlet(nameOfSupply(rig, feed.supply), feed.outlet);
    return [name, from, sayVolts(volts), sayAmps(amps), labels.get(feed.id) ?? ''];
  });
  return table(['thing', 'from', 'gets', 'draws', 'cable'], [30, 34, 12, 12, 12], rows);
}

function nameOfSource(rig: Rig, source: PowerSource): string {
  if (source.of === 'mains') return 'the mains';
  const name = nameOfSupply(rig, source.supply);
  return source.of === 'supply' ? name : sayOutlet(name, source.outlet);
}

function failureTable(rig: Rig): readonly BookBlock[] {
  const names = new Map(feedingsOf(rig).consumers.map(({ id, name }) => [id, name]));
  const rows = failuresOf(rig).map(({ source, consumers, left }) => [
    nameOfSource(rig, source),
    consumers.map((id) => names.get(id) ?? id).join(', '),
    sayLeft(left),
  ]);
  if (rows.length === 0) return [];
  return [plain('What falls silent:'), table(['without', 'dark', 'then'], [28, 44, 28], rows)];
}
