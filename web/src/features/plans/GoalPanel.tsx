import {
  APPROACH_WORDS,
  DEFAULT_WEIGHTS,
  LARGEST_WEIGHT,
  TERM_WORDS,
  WEIGHT_NAMES,
  weightsOf,
  type ApproachKind,
  type Brief,
  type Rig,
  type Weights,
} from '@gullwind/core';
import { Box, Button, Link, NativeSelect, Typography } from '@mui/material';
import { Link as RouterLink, useParams } from 'react-router';
import { Disclosure } from '../../ui/Disclosure';
import { PlainNumberField } from '../../ui/PlainNumberField';
import { useRigEdits } from '../editor';

/** What the plans are for: the approach, what each part of its goal weighs, and what has to stay. */
export function GoalPanel({ rig }: { rig: Rig }) {
  const { rigId } = useParams();
  const { approach } = rig.electrical;
  return (
    <Box component="section" aria-label="Goal" sx={{ mb: 1 }}>
      <ApproachChoice kind={approach.kind} />
      <Typography variant="body2" sx={{ color: 'text.secondary', mt: 0.5 }}>
        {APPROACH_WORDS[approach.kind].says}
      </Typography>
      <Typography variant="body2" sx={{ mt: 0.5 }}>
        {sayLimits(rig)}{' '}
        <Link component={RouterLink} to={`/rigs/${rigId}/brief`}>
          Change it in the Brief
        </Link>
      </Typography>
      <WeightFields rig={rig} />
    </Box>
  );
}

function ApproachChoice({ kind }: { readonly kind: ApproachKind }) {
  const edit = useRigEdits();
  const choose = (to: string) =>
    edit({ kind: 'choose', target: { of: 'approach' }, field: 'kind', to });
  return (
    <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
      <Typography component="h2" variant="h2">
        Approach
      </Typography>
      <NativeSelect
        value={kind}
        onChange={(event) => choose(event.target.value)}
        inputProps={{ 'aria-label': 'Approach' }}
        sx={{ fontSize: 15, flex: 1 }}
      >
        {Object.entries(APPROACH_WORDS).map(([one, { name }]) => (
          <option key={one} value={one}>
            {name}
          </option>
        ))}
      </NativeSelect>
    </Box>
  );
}

/** What counts how much: as the approach has it, or as it was set by hand. */
function WeightFields({ rig }: { readonly rig: Rig }) {
  const edit = useRigEdits();
  const { approach } = rig.electrical;
  const { brief } = rig.texts;
  const weights = weightsOf(rig);
  const weigh = (to: Weights | null) =>
    edit({ kind: 'assign', field: 'brief', to: { ...brief, weights: to } });
  return (
    <Disclosure title={`What counts how much${brief.weights ? ', as you have set it' : ''}`}>
      {WEIGHT_NAMES.map((name) => (
        <PlainNumberField
          key={name}
          label={TERM_WORDS[name].label}
          title={TERM_WORDS[name].says}
          value={weights[name]}
          max={LARGEST_WEIGHT}
          onChange={(to) => weigh({ ...weights, [name]: to })}
        />
      ))}
      <Button
        size="small"
        disabled={!brief.weights}
        onClick={() => weigh(null)}
        title={WEIGHT_NAMES.map(
          (name) => `${TERM_WORDS[name].label} ${DEFAULT_WEIGHTS[approach.kind][name]}`,
        ).join(', ')}
      >
        As the approach has them
      </Button>
    </Disclosure>
  );
}

const many = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;

/** What must not change, in one sentence. */
function sayLimits({ texts: { brief }, electrical: { places, scenes } }: Rig): string {
  const limits = limitsOf(brief);
  const counted = scenes.filter(({ id }) => !brief.uncounted.includes(id)).length;
  const where = [
    places.length > 0 ? many(places.length, 'place') : 'the cables as they are laid',
    counted > 0 ? many(counted, 'scene') : 'the pedals that are left on',
  ].join(', ');
  const first = limits.length > 0 ? `${limits.join(', ')}.` : 'Anything may change.';
  return `${first.charAt(0).toUpperCase()}${first.slice(1)} Measured over ${where}.`;
}

const limitsOf = (brief: Brief): readonly string[] => [
  ...(brief.nothingBought ? ['nothing is bought'] : []),
  ...(brief.noSoldering ? ['nothing is soldered'] : []),
  ...(brief.keepsOrder ? ['the order stays'] : []),
  ...(brief.keptDevices.length > 0 ? ['some pedals stay in place'] : []),
  ...(brief.keptCables.length > 0 ? ['some cables stay'] : []),
  ...(brief.mostMoney !== null && !brief.nothingBought ? [`at most ${brief.mostMoney}`] : []),
  ...(brief.mostBoxes !== null
    ? [`at most ${brief.mostBoxes} more box${brief.mostBoxes === 1 ? '' : 'es'}`]
    : []),
];
