import { placesOf, type Feedings, type FedThing, type PowerFault, type Rig } from '@gullwind/core';
import { Box, useTheme } from '@mui/material';
import { useMemo } from 'react';
import { HatchPattern } from '../../ui/HatchPattern';
import {
  deltaOf,
  mainsMiddle,
  SPARE_ROW,
  type Columns,
  type Delta,
  type DeltaOutlet,
  type DeltaSupply,
} from './deltaLayout';
import { useElementSize } from '../../ui/useElementSize';
import { LoadGauge } from './LoadGauge';
import { CUT, Pickable } from './Pickable';
import {
  amps,
  isSamePick,
  percent,
  sayBetween,
  sayLasts,
  sayLoad,
  sayOutletHead,
  watts,
  type Picked,
} from './model/sayPower';
import type { PowerHands } from './usePowerHands';

interface Props {
  readonly rig: Rig;
  readonly feedings: Feedings;
  readonly faults: readonly PowerFault[];
  readonly picked: Picked;
  readonly onPick: (picked: Picked) => void;
  /** Without power, as it is being looked at. */
  readonly dark: ReadonlySet<string>;
  readonly hands: PowerHands;
}

/** From the mains through supplies and outlets to the things: a delta, arms as wide as their current. */
export function DeltaChart(props: Props) {
  const { feedings, dark } = props;
  const [chart, size] = useElementSize<HTMLDivElement>(START);
  const delta = useMemo(() => deltaOf(feedings, size), [feedings, size]);
  return (
    <Box ref={chart} role="group" aria-label="What feeds what" sx={CHART}>
      <HatchPattern />
      <Box sx={{ position: 'relative', height: delta.height, minWidth: 640 }}>
        <Water delta={delta} dark={dark} />
        {delta.supplies.map((supply) => (
          <SupplyRows
            key={supply.state.supply.id}
            {...props}
            supply={supply}
            columns={delta.columns}
            row={delta.row}
          />
        ))}
      </Box>
    </Box>
  );
}

const START = { width: 860, height: 400 } as const;

const CHART = {
  flex: 1,
  minHeight: 200,
  overflow: 'auto',
  position: 'relative',
  userSelect: 'none',
} as const;

/** The arms, and what fell dry as a hatched bed. */
function Water({ delta, dark }: { readonly delta: Delta; readonly dark: ReadonlySet<string> }) {
  const { chart } = useTheme();
  const { columns, supplies, arms, height } = delta;
  const mainsY = mainsMiddle(supplies);
  const hasMains = arms.some(({ key }) => key.startsWith('mains'));
  return (
    <svg width="100%" height={height} style={{ position: 'absolute', inset: 0 }} aria-hidden>
      {arms.map(({ key, d, width, feeds }) => {
        const isDry = feeds.length > 0 && feeds.every((id) => dark.has(id));
        return (
          <g key={key} data-arm={key} data-dry={isDry}>
            {isDry && (
              <path
                d={d}
                fill="none"
                stroke={chart.faint}
                strokeWidth={width + 2}
                strokeOpacity={0.6}
              />
            )}
            <path
              d={d}
              fill="none"
              stroke={isDry ? chart.paper : chart.sea}
              strokeWidth={width}
              strokeOpacity={isDry ? 1 : 0.55}
            />
            {isDry && <path d={d} fill="none" stroke="url(#exposed-water)" strokeWidth={width} />}
          </g>
        );
      })}
      {hasMains && (
        <>
          <line
            x1={columns.mains + 4}
            x2={columns.mains + 4}
            y1={mainsY - 26}
            y2={mainsY + 26}
            stroke={chart.ink}
            strokeWidth={3}
          />
          <text x={columns.mains - 2} y={mainsY + 44} fontSize={12} fill={chart.faint}>
            mains
          </text>
        </>
      )}
    </svg>
  );
}

interface RowsProps extends Props {
  readonly supply: DeltaSupply;
  readonly columns: Columns;
  readonly row: number;
}

function SupplyRows({ supply, columns, row, ...props }: RowsProps) {
  const { chart } = useTheme();
  const { state, y, height, outlets } = supply;
  const { picked, onPick, faults, rig } = props;
  const pick: Picked = { of: 'supply', id: state.supply.id };
  const isWrong = faults.some((fault) => {
    const { outlet } = placesOf(fault);
    return outlet?.[0] === state.supply.id && outlet[1] === null;
  });
  const { supplyClass, totalW } = state.supply;
  return (
    <>
      <Pickable
        label={`${state.supply.name}, ${percent(state.share)} of what it gives`}
        isPicked={isSamePick(picked, pick)}
        isWrong={isWrong}
        onPick={() => onPick(pick)}
        place={{
          left: columns.supply,
          width: columns.supplyWidth,
          top: y + height / 2 - 24,
          height: 48,
        }}
        data={{ 'data-supply': state.supply.id }}
        isSolid
      >
        <Box sx={{ fontWeight: 600, fontSize: 14, ...CUT }}>{state.supply.name}</Box>
        <Box sx={{ fontSize: 12, color: chart.faint, ...CUT }}>
          {supplyClass === 'battery' && state.lastsS !== null
            ? `lasts ${sayLasts(state.lastsS)}`
            : `${watts(state.watts)} of ${watts(state.mostW)}${totalW.value > 0 ? '' : ' or more'}`}
        </Box>
      </Pickable>
      {outlets.map((outlet) => (
        <OutletRow
          key={outlet.state.outlet}
          {...props}
          outlet={outlet}
          columns={columns}
          row={row}
          fill={rig.power.fill.value}
        />
      ))}
    </>
  );
}

interface OutletProps extends Props {
  readonly outlet: DeltaOutlet;
  readonly columns: Columns;
  readonly row: number;
  readonly fill: number;
}

function OutletRow({ outlet, columns, row, fill, ...props }: OutletProps) {
  const { chart } = useTheme();
  const { state, y, things } = outlet;
  const { picked, onPick, hands, faults } = props;
  const pick: Picked = { of: 'outlet', supply: state.supply.id, outlet: state.outlet };
  const isUsed = state.hung.length + state.helps.length > 0;
  const isWrong = faults.some((fault) => {
    const at = placesOf(fault).outlet;
    return at?.[0] === state.supply.id && at[1] === state.outlet;
  });
  const key = `${state.supply.id} ${state.outlet}`;
  return (
    <>
      <Pickable
        label={`${state.supply.name}, outlet ${sayOutletHead(state)}, ${sayLoad(state)}`}
        isPicked={isSamePick(picked, pick)}
        isWrong={isWrong}
        isTarget={hands.over === key}
        onPick={() => onPick(pick)}
        place={{
          left: columns.outlet,
          width: columns.outletWidth,
          top: y + 1,
          height: state.hung.length > 0 ? row - 2 : SPARE_ROW - 2,
        }}
        data={{ 'data-outlet': key }}
      >
        <Box sx={OUTLET}>
          <Box sx={{ fontSize: 12.5, color: isUsed ? chart.ink : chart.faint, ...CUT }}>
            {sayOutletHead(state)}
          </Box>
          <LoadGauge share={state.share} fill={fill} />
          <Box sx={{ fontSize: 12, color: chart.faint, textAlign: 'right', whiteSpace: 'nowrap' }}>
            {isUsed ? sayLoad(state) : amps(state.setting.amps)}
          </Box>
        </Box>
      </Pickable>
      {things.map(({ thing, y: at }) => (
        <ThingRow key={thing.consumer.id} {...props} {...{ thing, columns, row }} y={at} />
      ))}
    </>
  );
}

const OUTLET = {
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) 58px minmax(62px, auto)',
  alignItems: 'center',
  columnGap: 0.75,
  width: '100%',
} as const;

interface ThingProps extends Props {
  readonly thing: FedThing;
  readonly y: number;
  readonly columns: Columns;
  readonly row: number;
}

function ThingRow({ thing, y, columns, row, picked, onPick, faults, hands, dark }: ThingProps) {
  const { chart } = useTheme();
  const { consumer, feed } = thing;
  const pick: Picked = { of: 'thing', id: consumer.id };
  const between = sayBetween(thing);
  const isDark = dark.has(consumer.id);
  return (
    <Pickable
      label={`${consumer.name}, ${amps(thing.amps)}${isDark ? ', dark' : ''}`}
      isPicked={isSamePick(picked, pick)}
      isWrong={faults.some((fault) => placesOf(fault).consumers.includes(consumer.id))}
      isTarget={hands.over === consumer.id}
      onPick={() => onPick(pick)}
      place={{
        left: columns.thing + (feed.after === null ? 0 : 10),
        width: columns.thingWidth - (feed.after === null ? 0 : 10),
        top: y - row / 2 + 1,
        height: row - 2,
      }}
      data={{ 'data-thing': consumer.id }}
      grip={hands.grip(consumer.id)}
      isSolid
      isDark={isDark}
    >
      <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'baseline', width: '100%' }}>
        <Box sx={{ fontWeight: 600, fontSize: 13.5, ...CUT }}>{consumer.name}</Box>
        <Box sx={{ fontSize: 12, color: chart.faint, ml: 'auto', whiteSpace: 'nowrap' }}>
          {[between, amps(consumer.need.supplyA.value), feed.isFixed ? 'fixed' : '']
            .filter(Boolean)
            .join(' · ')}
        </Box>
      </Box>
    </Pickable>
  );
}
