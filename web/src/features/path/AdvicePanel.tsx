import {
  APPROACH_WORDS,
  type ApproachKind,
  heed,
  sayFirstStep,
  type AdvisedJudgement,
  type FirstStep,
  type Remedy,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import CheckCircleOutlined from '@mui/icons-material/CheckCircleOutlined';
import ErrorOutlined from '@mui/icons-material/ErrorOutlined';
import InfoOutlined from '@mui/icons-material/InfoOutlined';
import { Box, Button, Link, Typography } from '@mui/material';
import { memo, useState } from 'react';
import { ExplainDialog } from './ExplainDialog';
import { ChoiceField } from '../../ui/parts/ChoiceField';
import { PartFields } from '../../ui/parts/PartFields';
import { Figure } from '../../ui/Figure';
import type { Advised } from '../../workers/useSideQuestions';
import type { PathActions } from './usePathActions';

interface Props {
  readonly rig: Rig;
  readonly advised: Advised | null;
  readonly units: UnitSystem;
  readonly actions: PathActions;
}

const APPROACHES = (Object.keys(APPROACH_WORDS) as ApproachKind[]).map(
  (kind) => [kind, APPROACH_WORDS[kind].name] as const,
);

/** What is to be said of the rig under its own approach, each with its numbers and a way to be quiet about it. */
export const AdvicePanel = memo(function AdvicePanel({ rig, advised, units, actions }: Props) {
  const [isExplaining, setExplaining] = useState(false);
  if (!advised)
    return (
      <>
        <ApproachFields rig={rig} units={units} actions={actions} />
        <Typography variant="body2">Judging …</Typography>
      </>
    );
  const { first, judgements, dismissed } = heed(advised.advice, rig.texts.dismissed);
  const dismiss = (to: readonly string[]) =>
    actions.edit({ kind: 'assign', field: 'dismissed', to });
  return (
    <>
      <ApproachFields rig={rig} units={units} actions={actions} />
      <Button size="small" onClick={() => setExplaining(true)}>
        Explain this rig
      </Button>
      {isExplaining && (
        <ExplainDialog rig={rig} units={units} onClose={() => setExplaining(false)} />
      )}
      {first && first.kind !== 'fine' && <First first={first} actions={actions} />}
      {judgements.length === 0 && !first && (
        <Typography variant="body2" sx={{ mt: 1 }}>
          Nothing to say here.
        </Typography>
      )}
      {judgements.map((judgement) => (
        <Said
          key={judgement.key}
          judgement={judgement}
          actions={actions}
          onDismiss={() => dismiss([...rig.texts.dismissed, judgement.key])}
        />
      ))}
      {dismissed.length > 0 && (
        <Dismissed
          judgements={dismissed}
          onRestore={(key) => dismiss(rig.texts.dismissed.filter((other) => other !== key))}
        />
      )}
    </>
  );
});

/** The approach of the rig, and the resonance it wants where it wants one. */
function ApproachFields({ rig, units, actions }: Omit<Props, 'advised'>) {
  const { approach } = rig.electrical;
  return (
    <>
      <ChoiceField
        label="Approach"
        value={approach.kind}
        options={APPROACHES}
        onChange={(to) =>
          actions.edit({ kind: 'choose', target: { of: 'approach' }, field: 'kind', to })
        }
      />
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 0.5 }}>
        {APPROACH_WORDS[approach.kind].says}
      </Typography>
      {approach.kind === 'shaped' && (
        <PartFields
          part={approach}
          of="approach"
          fields={[['wantedHz']]}
          units={units}
          assumedFrom="the shaped approach"
          actions={actions}
        />
      )}
    </>
  );
}

/** What to do first: the same as in the headline, in the explanation and among the plans. */
function First({ first, actions }: { first: FirstStep; actions: PathActions }) {
  return (
    <Box
      component="article"
      data-testid="first-step"
      sx={{ mt: 1, pt: 1, borderTop: 1, borderColor: 'divider' }}
    >
      <Typography variant="body2" sx={{ fontWeight: 600 }}>
        {sayFirstStep(first)}
      </Typography>
      {first.kind === 'move' && (
        <Button size="small" variant="outlined" onClick={() => actions.edit(first.edit)}>
          Do it here
        </Button>
      )}
    </Box>
  );
}

interface DismissedProps {
  readonly judgements: readonly AdvisedJudgement[];
  readonly onRestore: (key: string) => void;
}

/** What is not to be said of this rig any more. */
function Dismissed({ judgements, onRestore }: DismissedProps) {
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Dismissed
      </Typography>
      {judgements.map(({ key, title }) => (
        <Box key={key} sx={{ display: 'flex', alignItems: 'baseline', gap: 0.5 }}>
          <Typography variant="body2" sx={{ flex: 1 }}>
            {title}
          </Typography>
          <Button size="small" sx={{ py: 0 }} onClick={() => onRestore(key)}>
            Show again
          </Button>
        </Box>
      ))}
    </Box>
  );
}

const MARKS = {
  warning: <ErrorOutlined sx={{ fontSize: 17, color: 'warning.main' }} titleAccess="warning" />,
  note: <InfoOutlined sx={{ fontSize: 17 }} titleAccess="note" />,
  fine: <CheckCircleOutlined sx={{ fontSize: 17, color: 'primary.main' }} titleAccess="fine" />,
} as const;

interface SaidProps {
  readonly judgement: AdvisedJudgement;
  readonly actions: PathActions;
  readonly onDismiss: () => void;
}

function Said({ judgement, actions, onDismiss }: SaidProps) {
  const { reason, numbers, when, weight, approaches } = judgement;
  return (
    <Box
      component="article"
      data-judgement={judgement.kind}
      sx={{ mt: 1, pt: 1, borderTop: 1, borderColor: 'divider' }}
    >
      <SaidTitle judgement={judgement} actions={actions} />
      <Typography variant="body2" sx={{ mt: 0.25 }}>
        {reason}
      </Typography>
      <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: '1fr auto' }}>
        {numbers.map(([what, value]) => (
          <Figure key={what} name={what} value={value} />
        ))}
      </Box>
      {judgement.remedy && <RemedyLine remedy={judgement.remedy} actions={actions} />}
      <Box sx={{ display: 'flex', alignItems: 'baseline' }}>
        <Typography variant="caption" sx={{ flex: 1, color: 'text.secondary' }}>
          {when}
          {approaches !== 'every' &&
            `; for ${approaches.map((kind) => APPROACH_WORDS[kind].name).join(', ')}`}
        </Typography>
        {weight !== 'fine' && (
          <Button size="small" sx={{ py: 0, whiteSpace: 'nowrap' }} onClick={onDismiss}>
            Dismiss
          </Button>
        )}
      </Box>
    </Box>
  );
}

/** What would mend it, and a way to do it where it is said. */
function RemedyLine({ remedy, actions }: { remedy: Remedy; actions: PathActions }) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
      <Typography variant="body2" sx={{ flex: 1 }}>
        {remedy.said}.
      </Typography>
      <Button
        size="small"
        sx={{ py: 0, whiteSpace: 'nowrap' }}
        aria-label={`Do it here: ${remedy.said}`}
        onClick={() => actions.edit(remedy.edit)}
      >
        Do it here
      </Button>
    </Box>
  );
}

/** What is said in short; a press selects what it speaks of. */
function SaidTitle({ judgement, actions }: Omit<SaidProps, 'onDismiss'>) {
  const { title, weight, spot } = judgement;
  const select = () => {
    if (!spot) return;
    const kind = spot.kind === 'source' ? 'guitar' : spot.kind;
    actions.select({ kind, id: spot.id });
  };
  return (
    <Typography
      component="h2"
      sx={{ fontSize: 14.5, fontWeight: 600, display: 'flex', gap: 0.5, lineHeight: 1.25 }}
    >
      {MARKS[weight]}
      {spot ? (
        <Link
          component="button"
          color="inherit"
          underline="hover"
          onClick={select}
          sx={{ font: 'inherit', textAlign: 'left' }}
        >
          {title}
        </Link>
      ) : (
        title
      )}
    </Typography>
  );
}
