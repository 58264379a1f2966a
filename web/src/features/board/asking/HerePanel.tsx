import {
  formatSignedDb,
  formatStripLength,
  PLACEMENT_RULES,
  type FitsHere,
  type Point,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useMemo } from 'react';
import { useGearItems } from '../../../app/useGearItems';
import { useLongWork, type WorkStateOf } from '../../../workers/useLongWork';
import { SizeField } from '../panels/SizeField';
import { WorkLine } from '../../../ui/WorkLine';
import { AskFrame } from './AskFrame';
import { useShown } from './asking';
import type { AskProps } from '../panelProps';

/** What of the gear at hand fits at a point of a board. */
export function HerePanel({ at, ...props }: AskProps & { readonly at: Point }) {
  const { rig, asking } = props;
  const gear = useGearItems();
  const question = useMemo(() => gear && { rig, gear, at }, [rig, gear, at]);
  const work = useLongWork('whatFits', question, { begins: true });
  const { state } = work;
  const show = useShown(props);
  const found = foundIn(state);
  return (
    <AskFrame title="What fits here?" onClose={() => asking.onAsk(null)}>
      <PointFields {...props} at={at} />
      <WorkLine
        work={work}
        says={(progress) =>
          progress ? `${progress.done} of ${progress.of} things tried` : 'Looking …'
        }
        share={({ done, of }) => done / Math.max(1, of)}
      />
      {state.kind === 'done' && (
        <Typography role="status" variant="body2" sx={{ my: 0.5 }}>
          {found.length === 0
            ? 'Nothing of the cargo or the gear at hand fits here with its plugs.'
            : `${found.length} ${found.length === 1 ? 'thing fits' : 'things fit'} here with plugs:`}
        </Typography>
      )}
      <Box component="ul" aria-label="What fits" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {found.map((one) => (
          <FitLine key={one.key} {...props} one={one} onShow={() => show(one.edit)} />
        ))}
      </Box>
    </AskFrame>
  );
}

/** What was found so far, or at all. */
function foundIn(state: WorkStateOf<'whatFits'>): readonly FitsHere[] {
  switch (state.kind) {
    case 'done':
      return state.answer;
    case 'running':
    case 'stopped':
      return state.progress?.found ?? [];
    default:
      return [];
  }
}

/** Where it is asked, by numbers. */
function PointFields({ at, units, asking }: AskProps & { readonly at: Point }) {
  const move = (change: Partial<Point>) => asking.onAsk({ kind: 'here', at: { ...at, ...change } });
  return (
    <>
      <SizeField
        label="From the left"
        rule={PLACEMENT_RULES.xM}
        value={at.x}
        units={units}
        onChange={(x) => move({ x })}
      />
      <SizeField
        label="From the front"
        rule={PLACEMENT_RULES.yM}
        value={at.y}
        units={units}
        onChange={(y) => move({ y })}
      />
    </>
  );
}

interface FitLineProps extends AskProps {
  readonly one: FitsHere;
  readonly onShow: () => void;
}

function FitLine({ one, onShow, units, actions }: FitLineProps) {
  return (
    <Box
      component="li"
      onMouseEnter={onShow}
      onFocus={onShow}
      sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Typography sx={{ fontSize: 14.5, fontWeight: 600, flex: 1, minWidth: 0 }}>
          {one.name}
        </Typography>
        <Button
          size="small"
          aria-label={`Put ${one.name} here`}
          onClick={() => actions.edit(one.edit)}
        >
          Put it here
        </Button>
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {sayFits(one, units)}
      </Typography>
    </Box>
  );
}

/** Where in the chain, how it is turned, and what it adds. */
const sayFits = (one: FitsHere, units: UnitSystem): string =>
  [
    sayBetween(one),
    one.place.turn === 0 ? '' : `turned by ${one.place.turn}°`,
    Math.abs(one.addedM) < 0.0005
      ? ''
      : `${one.addedM > 0 ? '+' : '−'}${formatStripLength(Math.abs(one.addedM), units)} of cable`,
    one.trebleDb === null ? '' : `${formatSignedDb(one.trebleDb, 2)} dB`,
  ]
    .filter(Boolean)
    .join(' · ');

function sayBetween({ between, gear }: FitsHere): string {
  if (gear === null) return 'from the cargo';
  if (between === null) return 'no signal runs through it';
  const [before, after] = between;
  if (before && after) return `between ${before} and ${after}`;
  return before ? `after ${before}` : after ? `before ${after}` : 'in the chain';
}
