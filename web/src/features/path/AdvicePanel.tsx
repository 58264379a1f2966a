import {
  APPROACH_WORDS,
  type ApproachKind,
  type Judgement,
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
import type { PathActions } from './usePathActions';

interface Props {
  readonly analysed: { readonly rig: Rig; readonly judgements: readonly Judgement[] } | null;
  readonly units: UnitSystem;
  readonly actions: PathActions;
}

const APPROACHES = (Object.keys(APPROACH_WORDS) as ApproachKind[]).map(
  (kind) => [kind, APPROACH_WORDS[kind].name] as const,
);

/** What is to be said of the rig under its own approach, each with its numbers and a way to be quiet about it. */
export const AdvicePanel = memo(function AdvicePanel({ analysed, units, actions }: Props) {
  const [isExplaining, setExplaining] = useState(false);
  if (!analysed) return <Typography variant="body2">Judging …</Typography>;
  const { rig, judgements } = analysed;
  const said = judgements.filter(({ key }) => !rig.texts.dismissed.includes(key));
  const dismissed = judgements.filter(({ key }) => rig.texts.dismissed.includes(key));
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
      {judgements.length === 0 && (
        <Typography variant="body2" sx={{ mt: 1 }}>
          Nothing to say here.
        </Typography>
      )}
      {said.map((judgement) => (
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
function ApproachFields({ rig, units, actions }: Omit<Props, 'analysed'> & { readonly rig: Rig }) {
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

interface DismissedProps {
  readonly judgements: readonly Judgement[];
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
  readonly judgement: Judgement;
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
