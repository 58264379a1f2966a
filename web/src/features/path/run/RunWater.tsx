import {
  formatQuantity,
  formatStripLength,
  nameSpot,
  type Analysis,
  type Rig,
  type SectionSummary,
  type UnitSystem,
} from '@gullwind/core';
import { useTheme } from '@mui/material';
import { BAND_BOTTOM_Y, BAND_TOP_Y, SECTION_LABEL_Y, textWidth } from './runGeometry';
import type { WayLayout } from './runLayout';

interface Props {
  readonly rig: Rig;
  readonly layout: WayLayout;
  readonly analysis: Analysis;
  readonly units: UnitSystem;
}

/** Water on both sides of the line: hatched where it is exposed, calm where it is sheltered. */
export function RunWater({ rig, layout, analysis, units }: Props) {
  const { chart } = useTheme();
  const { stops } = analysis;
  return (
    <g aria-hidden>
      {analysis.sections.map((section) => {
        const x0 = layout.spans[section.driver]![1];
        const x1 = Math.max(x0, layout.spans[section.endsAt]![0]);
        const label = fitLabel(sayDriver(rig, stops, section, units), section, units, x1 - x0 - 12);
        return (
          <g key={section.driver}>
            <rect
              x={x0}
              y={BAND_TOP_Y}
              width={x1 - x0}
              height={BAND_BOTTOM_Y - BAND_TOP_Y}
              fill={section.exposed ? 'url(#exposed-water)' : chart.shelter}
              data-water={section.exposed ? 'exposed' : 'sheltered'}
            >
              <title>{sayDriver(rig, stops, section, units)}</title>
            </rect>
            {label !== '' && (
              <text
                x={x0 + 6}
                y={SECTION_LABEL_Y}
                fontSize={13}
                fill={chart.ink}
                stroke={chart.paper}
                strokeWidth={3.5}
                paintOrder="stroke"
              >
                {label}
              </text>
            )}
          </g>
        );
      })}
      {analysis.kind === 'muted' && (
        <text
          x={layout.spans[analysis.by]![1] + 10}
          y={SECTION_LABEL_Y}
          fontSize={13}
          fill={chart.buoy}
        >
          nothing comes through here
        </text>
      )}
    </g>
  );
}

/** "exposed · the pickup drives 7.15 m", or as much of it as there is room for. */
function fitLabel(full: string, section: SectionSummary, units: UnitSystem, room: number): string {
  const short = full.slice(full.indexOf('·') + 2);
  const length = formatStripLength(section.cableM, units);
  return [full, short, length].find((text) => textWidth(text) <= room) ?? '';
}

function sayDriver(
  rig: Rig,
  stops: Analysis['stops'],
  section: SectionSummary,
  units: UnitSystem,
): string {
  const water = section.exposed ? 'exposed' : 'sheltered';
  const { spot } = stops[section.driver]!;
  const driver = section.rOutOhm === null ? 'the pickup' : nameSpot(rig, spot);
  const from =
    section.rOutOhm === null ? '' : ` from ${formatQuantity(section.rOutOhm, 'resistance', units)}`;
  return `${water} · ${driver} drives ${formatStripLength(section.cableM, units)}${from}`;
}
