import {
  formatQuantity,
  type Analysis,
  type Rig,
  type SectionSummary,
  type UnitSystem,
} from '@gullwind/core';
import { useTheme } from '@mui/material';
import { BAND_BOTTOM_Y, BAND_TOP_Y, SECTION_LABEL_Y, textWidth } from './runGeometry';
import type { RunLayout } from './runLayout';

interface Props {
  readonly rig: Rig;
  readonly layout: RunLayout;
  readonly analysis: Analysis;
  readonly units: UnitSystem;
}

/** Water on both sides of the line: hatched where it is exposed, calm where it is sheltered. */
export function RunWater({ rig, layout, analysis, units }: Props) {
  const { chart } = useTheme();
  const startX = (driver: number) => (driver < 0 ? layout.guitarX : layout.deviceX[driver]!);
  const endX = (endsAt: number) => layout.deviceX[endsAt] ?? layout.ampX;
  return (
    <g aria-hidden>
      {analysis.sections.map((section) => {
        const x0 = startX(section.driver);
        const x1 = Math.max(x0, endX(section.endsAt));
        const label = fitLabel(rig, section, units, x1 - x0 - 12);
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
              <title>{sayDriver(rig, section, units)}</title>
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
          x={layout.deviceX[analysis.by]! + 10}
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
function fitLabel(rig: Rig, section: SectionSummary, units: UnitSystem, room: number): string {
  const full = sayDriver(rig, section, units);
  const short = full.slice(full.indexOf('·') + 2);
  const length = formatQuantity(section.leadM, 'length', units);
  return [full, short, length].find((text) => textWidth(text) <= room) ?? '';
}

function sayDriver(rig: Rig, section: SectionSummary, units: UnitSystem): string {
  const water = section.exposed ? 'exposed' : 'sheltered';
  const driver = section.driver < 0 ? 'the pickup' : rig.devices[section.driver]!.name;
  const from =
    section.rOutOhm === null ? '' : ` from ${formatQuantity(section.rOutOhm, 'resistance', units)}`;
  return `${water} · ${driver} drives ${formatQuantity(section.leadM, 'length', units)}${from}`;
}
