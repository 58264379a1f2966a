import {
  asOffCut,
  cutGroups,
  sayCableM,
  type Cut,
  type CutPlan,
  type GearItem,
  type OffCut,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Button, Typography, useTheme } from '@mui/material';
import { useMemo } from 'react';
import { useListOffCutsQuery, useRemoveOffCutMutation, useSetDoneMutation } from '../../app/api';
import { sayFailure } from '../../app/failures';
import { newId } from '../../app/newId';
import { useLongWork } from '../../workers/useLongWork';
import type { OpenRig } from '../editor';
import type { BuildNow } from './useBuild';

interface Props {
  readonly open: Pick<OpenRig, 'id'>;
  readonly rig: Rig;
  readonly gear: readonly GearItem[];
  readonly now: BuildNow;
  readonly units: UnitSystem;
}

const NONE: readonly OffCut[] = [];

/** What is cut out of what, for those cables that are not cut yet. */
export function useCuts(rig: Rig, gear: readonly GearItem[], now: BuildNow) {
  const { data } = useListOffCutsQuery();
  const offCuts = data?.offCuts ?? NONE;
  const groups = useMemo(() => {
    const cut = new Set(
      now.progress.steps.flatMap(({ step, isDone }) =>
        step.kind === 'cut' && isDone && step.cable !== null ? [step.cable] : [],
      ),
    );
    return cutGroups(rig, gear, offCuts, cut);
  }, [rig, gear, offCuts, now.progress]);
  const question = useMemo(() => ({ groups }), [groups]);
  return { offCuts, groups, work: useLongWork('cuts', question, { begins: true }) };
}

/** Reels and off-cuts as scale bars, with the cuts on them; and what is left in the workshop. */
export function CutsView({ open, rig, gear, now, units }: Props) {
  const { offCuts, groups, work } = useCuts(rig, gear, now);
  const { state } = work;
  return (
    <>
      <Typography variant="body2" sx={{ my: 0.5 }}>
        As little as can be is thrown away, then as little as can be is begun. Cut away from the
        hand that holds.
      </Typography>
      {groups.length === 0 && <Typography>Nothing is left to be cut.</Typography>}
      {state.kind === 'running' && <Typography role="status">Working out the cuts …</Typography>}
      {state.kind === 'failed' && (
        <Typography role="status">{`It broke off: ${state.message}`}</Typography>
      )}
      {state.kind === 'done' &&
        state.answer.map(([name, plan]) => (
          <Group key={name} name={name} plan={plan} units={units} />
        ))}
      <Freed rigId={open.id} now={now} />
      <OffCuts offCuts={offCuts} units={units} />
    </>
  );
}

interface GroupProps {
  readonly name: string;
  readonly plan: CutPlan;
  readonly units: UnitSystem;
}

function Group({ name, plan, units }: GroupProps) {
  return (
    <Box component="section" aria-label={`Cuts of ${name}`} sx={{ mb: 1.5 }}>
      <Typography component="h3" variant="h2">
        {name}
      </Typography>
      {plan.cuts.map((cut) => (
        <Bar key={cut.stock.id} cut={cut} units={units} />
      ))}
      {plan.uncut.length > 0 && (
        <Typography sx={{ fontWeight: 600 }}>
          {`Nothing at hand for ${plan.uncut.map(({ label, lengthM }) => `${label} (${sayCableM(lengthM, units)})`).join(', ')}.`}
        </Typography>
      )}
      {plan.cuts.length > 0 && (
        <Typography variant="body2">
          {`${plan.wasteM === 0 ? 'Nothing' : sayCableM(plan.wasteM, units)} is thrown away${plan.isProven ? '' : '; the best that was found in the time'}.`}
        </Typography>
      )}
    </Box>
  );
}

/** Of a long reel only its beginning is drawn. */
const DRAWN_SHARE = 1.15;

/** A piece of stock as a scale bar, black and white in turn, with the cuts on it. */
function Bar({ cut, units }: { readonly cut: Cut; readonly units: UnitSystem }) {
  const { chart } = useTheme();
  const used = cut.pieces.reduce((sum, { lengthM }) => sum + lengthM, 0);
  const isWhole = cut.stock.lengthM <= used * DRAWN_SHARE * 1.6;
  const drawn = isWhole ? cut.stock.lengthM : used * DRAWN_SHARE;
  let at = 0;
  return (
    <Box sx={{ my: 0.75 }}>
      <Typography variant="body2">
        {`${cut.stock.name}, ${sayCableM(cut.stock.lengthM, units)}; ${sayCableM(cut.leftM, units)} left, ${cut.isKept ? 'to keep' : 'waste'}`}
      </Typography>
      <Box sx={{ display: 'flex', border: 1, borderColor: chart.ink, height: 34, maxWidth: 900 }}>
        {cut.pieces.map(({ id, label, lengthM }, i) => {
          at += lengthM;
          return (
            <Box
              key={id}
              title={`${label} ${sayCableM(lengthM, units)}, to ${sayCableM(at, units)}`}
              sx={{
                width: `${(100 * lengthM) / drawn}%`,
                bgcolor: i % 2 === 0 ? chart.ink : chart.paper,
                color: i % 2 === 0 ? chart.paper : chart.ink,
                borderRight: 1,
                borderColor: chart.ink,
                fontSize: 12.5,
                fontWeight: 600,
                display: 'flex',
                alignItems: 'center',
                justifyContent: 'center',
                overflow: 'hidden',
                whiteSpace: 'nowrap',
              }}
            >
              {label}
            </Box>
          );
        })}
        <Box
          sx={{
            flex: 1,
            borderRight: isWhole ? 0 : 3,
            borderRightStyle: 'dotted',
            borderColor: chart.ink,
          }}
        />
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {cut.pieces
          .map(({ label, lengthM }) => `${label} ${sayCableM(lengthM, units)}`)
          .join(' · ')}
      </Typography>
    </Box>
  );
}

/** Cables that were made for what is another now, offered as pieces to cut from. */
function Freed({ rigId, now }: { readonly rigId: string; readonly now: BuildNow }) {
  const [setDone] = useSetDoneMutation();
  const { freed } = now.progress;
  if (freed.length === 0) return null;
  return (
    <Box component="section" aria-label="Made for nothing" sx={{ mb: 1.5 }}>
      <Typography component="h3" variant="h2">
        Made for what is another now
      </Typography>
      {freed.map((one) => {
        const id = one.step.replace('cut ', '');
        const cable = now.cables.find((other) => other.id === id);
        const name = cable?.stock ?? 'patch cable';
        return (
          <Box key={one.step} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
            <span>{`${cable?.label ?? id}, ${Math.round((one.lengthM ?? 0) * 1000)} mm`}</span>
            <Button
              sx={{ minHeight: 44 }}
              onClick={() => {
                const { at: _, ...done } = one;
                // It is a piece of cable from now on, and no step that was done.
                const ticks = [{ ...done, isDone: false }];
                void setDone({ id: rigId, ticks, offCut: asOffCut(newId(), one, name) })
                  .unwrap()
                  .catch(() => sayFailure('The off-cut could not be kept.'));
              }}
            >
              Keep as an off-cut
            </Button>
          </Box>
        );
      })}
    </Box>
  );
}

function OffCuts({
  offCuts,
  units,
}: {
  readonly offCuts: readonly OffCut[];
  readonly units: UnitSystem;
}) {
  const [removeOffCut] = useRemoveOffCutMutation();
  return (
    <Box component="section" aria-label="Off-cuts">
      <Typography component="h3" variant="h2">
        Off-cuts of the workshop
      </Typography>
      {offCuts.length === 0 && <Typography variant="body2">None is kept yet.</Typography>}
      {offCuts.map(({ id, name, lengthM, note }) => (
        <Box key={id} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <span>{[name, sayCableM(lengthM, units), note].filter(Boolean).join(' · ')}</span>
          <Button
            size="small"
            onClick={() =>
              void removeOffCut({ id })
                .unwrap()
                .catch(() => sayFailure('The off-cut could not be let go of.'))
            }
          >
            Used up
          </Button>
        </Box>
      ))}
    </Box>
  );
}
