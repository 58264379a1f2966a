import {
  sayConflict,
  thingsIn,
  type BoardPlan,
  type Conflict,
  type Cure,
  type Edit,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Button, Typography, useTheme } from '@mui/material';
import { useMemo } from 'react';
import { SentenceButton } from '../../ui/SentenceButton';
import { questionsWorker } from '../../workers/workers';
import { AT_REST_MS, useLatest } from '../../workers/useLatest';

interface Props {
  /** As it is while no hand drags: cures are only looked for then. */
  readonly rig: Rig | null;
  readonly plan: BoardPlan;
  readonly units: UnitSystem;
  readonly lit: string | null;
  readonly onLight: (key: string | null) => void;
  readonly onEdit: (edit: Edit) => void;
  readonly onSelect: (things: readonly string[]) => void;
}

/** So many are shown with what would cure them. */
const MOST_SHOWN = 12;

interface CureQuestion {
  readonly rig: Rig;
  readonly units: UnitSystem;
}

type Cures = Readonly<Record<string, readonly Cure[]>>;

const ask = async ({ rig, units }: CureQuestion) => ({
  rig,
  cures: await questionsWorker().boardCures(rig, units, MOST_SHOWN),
});

/** What would settle each conflict; nothing while it is being looked for. */
function useCures(rig: Rig | null, units: UnitSystem, isNeeded: boolean): Cures | null {
  const question = useMemo(() => (rig && isNeeded ? { rig, units } : null), [rig, units, isNeeded]);
  const answer = useLatest(question, ask, 4 * AT_REST_MS);
  return answer && answer.rig === rig ? answer.cures : null;
}

/** What is in the way of what, with what would cure it as buttons. */
export function ConflictList(props: Props) {
  const { rig, plan, units } = props;
  const { conflicts } = plan;
  const cures = useCures(rig, units, conflicts.length > 0);
  const shown = conflicts.slice(0, MOST_SHOWN);
  return (
    <Box
      component="section"
      aria-label="What is in the way"
      sx={{ px: 2.5, pb: 1, maxHeight: 132, overflowY: 'auto', flexShrink: 0 }}
    >
      <Typography variant="h2" sx={{ py: 0.25 }}>
        {sayHowMany(conflicts)}
      </Typography>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {shown.map((conflict) => (
          <ConflictLine
            key={conflict.key}
            {...props}
            conflict={conflict}
            cures={cures ? (cures[conflict.key] ?? []) : null}
          />
        ))}
      </Box>
      {conflicts.length > MOST_SHOWN && (
        <Typography variant="body2">and {conflicts.length - MOST_SHOWN} more</Typography>
      )}
    </Box>
  );
}

function sayHowMany(conflicts: readonly Conflict[]): string {
  const counted = conflicts.filter(({ weight }) => weight !== 'note').length;
  if (counted === 0) return 'Nothing is in the way';
  return counted === 1 ? 'What is in the way' : `What is in the way: ${counted}`;
}

interface LineProps extends Props {
  readonly conflict: Conflict;
  /** Null while they are looked for. */
  readonly cures: readonly Cure[] | null;
}

function ConflictLine({ plan, units, conflict, cures, onLight, onEdit, onSelect }: LineProps) {
  return (
    <Box
      component="li"
      onMouseEnter={() => onLight(conflict.key)}
      onMouseLeave={() => onLight(null)}
      sx={{ display: 'flex', gap: 1.5, alignItems: 'center', minHeight: 27 }}
    >
      <Weight weight={conflict.weight} />
      <SentenceButton
        type="button"
        onClick={() => onSelect(thingsIn(conflict))}
        onFocus={() => onLight(conflict.key)}
        onBlur={() => onLight(null)}
        style={{ flex: '0 1 auto' }}
      >
        {sayConflict(plan, conflict, units)}
      </SentenceButton>
      {cures?.map(({ says, edit }) => (
        <Button key={says} size="small" sx={CURE} onClick={() => onEdit(edit)}>
          {says}
        </Button>
      ))}
      {cures?.length === 0 && conflict.weight !== 'note' && (
        <Typography variant="body2" sx={{ color: 'text.secondary', whiteSpace: 'nowrap' }}>
          no single step cures it
        </Typography>
      )}
    </Box>
  );
}

const CURE = { fontWeight: 600, py: 0, minHeight: 24, whiteSpace: 'nowrap' } as const;

const WORDS = {
  hard: 'cannot be',
  foot: 'for the foot',
  note: 'to be known',
} as const;

/** Full: it cannot be. Open: for the foot. Faint: only to be known. */
function Weight({ weight }: Pick<Conflict, 'weight'>) {
  const { chart } = useTheme();
  const colour = weight === 'note' ? chart.sea : chart.buoy;
  return (
    <svg width={12} height={12} role="img" aria-label={WORDS[weight]} style={{ flexShrink: 0 }}>
      <circle
        cx={6}
        cy={6}
        r={4.5}
        fill={weight === 'hard' ? colour : 'none'}
        stroke={colour}
        strokeWidth={1.6}
      />
    </svg>
  );
}
