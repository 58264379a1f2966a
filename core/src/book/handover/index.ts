import type { BookSection, HandoverQuestion } from './block';
import { away, cautions, faults, spares, walked } from './keepingSections';
import { figures, playing } from './playingSections';
import { board, cables, power, signal } from './rigSections';

export type { BookBlock, BookSection, HandoverQuestion } from './block';
export { sayPresses, sayTravel } from './playingSections';

/// What the owner of a rig is handed: the page shows it, and paper has the same.

export interface Handover {
  readonly title: string;
  readonly under: string;
  readonly sections: readonly BookSection[];
}

/** All of the book, section by section; what there is nothing of is left out. */
export function handoverOf(question: HandoverQuestion): Handover {
  const { rig, today, revision } = question;
  const { name, player } = rig.texts;
  const sections = [
    signal(question),
    board(question),
    cables(question),
    power(question),
    playing(question),
    figures(question),
    faults(question),
    spares(question),
    away(question),
    cautions(),
    walked(question),
  ].filter(({ blocks }) => blocks.length > 0);
  const whose = player === '' ? '' : `for ${player}, `;
  return {
    title: name,
    under: `Book of the rig, ${whose}${today}, revision ${revision}`,
    sections,
  };
}
