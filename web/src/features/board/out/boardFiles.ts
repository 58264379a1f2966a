import { boardFile } from '@gullwind/contract';
import {
  drawBoard,
  drawingsFor,
  slug,
  type DrawingKind,
  type Paper,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { createElement } from 'react';
import { readPrintFont } from '../../../app/print/faces';
import { saveBytes, saveText } from '../../files';

/// The board as files for elsewhere. What draws and prints is loaded when it is asked for.

const nameOf = (rig: Rig): string => slug(rig.texts.name).replaceAll('_', '-');

/** All drawings at full size on sheets of paper. */
export async function savePdf(rig: Rig, paper: Paper, units: UnitSystem): Promise<void> {
  const [{ boardPdf }, font] = await Promise.all([import('./boardPdf'), readPrintFont()]);
  const drawings = drawingsFor(rig, rig.texts.name, paper, units);
  const bytes = await boardPdf(drawings, paper, units, font);
  saveBytes(`${nameOf(rig)}-board.pdf`, bytes, 'application/pdf');
}

/** One drawing as SVG at full size. */
export async function saveSvg(rig: Rig, kind: DrawingKind, units: UnitSystem): Promise<void> {
  const [{ renderToStaticMarkup }, { DrawingSvg }] = await Promise.all([
    import('react-dom/server'),
    import('../../../ui/DrawingSvg'),
  ]);
  const drawing = drawBoard(rig, rig.texts.name, kind, units);
  const text = renderToStaticMarkup(createElement(DrawingSvg, drawing));
  saveText(`${nameOf(rig)}-${kind}.svg`, `${text}\n`, 'image/svg+xml');
}

/** Outline and openings at full size, for a machine that cuts and drills. */
export async function saveDxf(rig: Rig, units: UnitSystem): Promise<void> {
  const { boardDxf } = await import('./boardDxf');
  const drawing = drawBoard(rig, rig.texts.name, 'drilling', units);
  saveText(`${nameOf(rig)}-drilling.dxf`, boardDxf(drawing), 'image/vnd.dxf');
}

/** The board as it is laid out, as JSON. */
export const saveBoard = (rig: Rig): void =>
  saveText(
    `${nameOf(rig)}.board.json`,
    `${JSON.stringify(boardFile(rig), null, 1)}\n`,
    'application/json',
  );
