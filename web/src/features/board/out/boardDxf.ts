import type { Drawing, DrawnShape, Stroke } from '@gullwind/core';
import Dxf from 'dxf-writer';

/// A drawing at full size as DXF: millimetres, its origin at the bottom left, what is cut on a layer of its own.

const LAYERS: Readonly<Record<Stroke, readonly [name: string, colour: number]>> = {
  outline: ['outline', Dxf.ACI.WHITE],
  cut: ['openings', Dxf.ACI.RED],
  thin: ['marks', Dxf.ACI.CYAN],
  dashed: ['hidden', Dxf.ACI.YELLOW],
};
const WORDS = 'words';
/** Every line of the file is a code or a value: a line end in a name would be taken for the next one. */
const LINE_ENDS = /[\p{Cc}\p{Zl}\p{Zp}]+/gu;

export function boardDxf({ height, shapes }: Drawing): string {
  const dxf = new Dxf();
  dxf.setUnits('Millimeters');
  for (const [name, colour] of Object.values(LAYERS)) dxf.addLayer(name, colour, 'CONTINUOUS');
  dxf.addLayer(WORDS, Dxf.ACI.WHITE, 'CONTINUOUS');
  for (const shape of shapes) draw(dxf, shape, height);
  return dxf.toDxfString();
}

function draw(dxf: Dxf, shape: DrawnShape, height: number): void {
  const up = (y: number) => height - y;
  dxf.setActiveLayer(shape.kind === 'text' ? WORDS : LAYERS[shape.stroke][0]);
  switch (shape.kind) {
    case 'rect': {
      const { x, y, width, height: tall } = shape;
      dxf.drawRect(x, up(y + tall), x + width, up(y));
      break;
    }
    case 'path':
      dxf.drawPolyline(shape.points.map(([x, y]) => [x, up(y)]));
      break;
    case 'circle':
      dxf.drawCircle(shape.x, up(shape.y), shape.r);
      break;
    case 'text':
      dxf.drawText(shape.x, up(shape.y), shape.size, 0, shape.text.replace(LINE_ENDS, ' '));
  }
}
