import type { Drawing, DrawnShape, Stroke } from '@gullwind/core';

const LINES: Readonly<
  Record<Stroke, { readonly strokeWidth: number; readonly strokeDasharray?: string }>
> = {
  outline: { strokeWidth: 0.5 },
  cut: { strokeWidth: 0.35 },
  thin: { strokeWidth: 0.2 },
  dashed: { strokeWidth: 0.2, strokeDasharray: '2 1.5' },
};

/** A drawing as SVG at full size: its unit is the millimetre. */
export const DrawingSvg = ({ title, width, height, shapes }: Drawing) => (
  <svg
    xmlns="http://www.w3.org/2000/svg"
    width={`${width}mm`}
    height={`${height}mm`}
    viewBox={`0 0 ${width} ${height}`}
    fill="none"
    stroke="black"
    fontFamily="Source Sans 3, sans-serif"
  >
    <title>{title}</title>
    {shapes.map((shape, i) => (
      <ShapeSvg key={i} shape={shape} />
    ))}
  </svg>
);

function ShapeSvg({ shape }: { readonly shape: DrawnShape }) {
  switch (shape.kind) {
    case 'rect': {
      const { x, y, width, height, stroke } = shape;
      return <rect {...{ x, y, width, height }} {...LINES[stroke]} />;
    }
    case 'circle':
      return <circle cx={shape.x} cy={shape.y} r={shape.r} {...LINES[shape.stroke]} />;
    case 'path':
      return (
        <polyline
          points={shape.points.map(([x, y]) => `${x},${y}`).join(' ')}
          {...LINES[shape.stroke]}
        />
      );
    case 'text':
      return (
        <text
          x={shape.x}
          y={shape.y}
          fontSize={shape.size}
          textAnchor={shape.anchor}
          fill="black"
          stroke="none"
        >
          {shape.text}
        </text>
      );
  }
}
