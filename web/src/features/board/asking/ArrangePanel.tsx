import {
  movingIn,
  USUAL_BUDGET,
  type Arranged,
  type ArrangementKind,
  type Wishes,
} from '@gullwind/core';
import { Box, Button, Checkbox, FormControlLabel, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { PlainNumberField } from '../../../ui/PlainNumberField';
import { useLongWork, type WorkStateOf } from '../../../workers/useLongWork';
import { WorkLine } from '../../../ui/WorkLine';
import { AskFrame } from './AskFrame';
import { ghostsOf } from '../model/asked';
import { useDrawn } from './asking';
import type { AskProps } from '../panelProps';
import { OfferedLines } from './OfferedLines';

const KIND_WORDS: Readonly<Record<ArrangementKind, string>> = {
  wished: 'As you wish',
  nearNow: 'Little is moved',
  feet: 'Feet before all',
  short: 'Short cables',
};

/** The best arrangements under stated wishes: up to three that differ in kind. */
export function ArrangePanel(props: AskProps) {
  const { rig, building, asking } = props;
  const { wishes } = asking;
  const [seed, setSeed] = useState(1);
  const question = useMemo(
    () => ({ rig, wishes, seed, budget: USUAL_BUDGET, building }),
    [rig, wishes, seed, building],
  );
  const work = useLongWork('arrange', question, { begins: false });
  const { state } = work;
  const moving = movingIn(rig, wishes).size;
  return (
    <AskFrame title="Arrange" onClose={() => asking.onAsk(null)}>
      <WishFields wishes={wishes} onWish={asking.onWish} />
      <Pinned {...props} />
      {state.kind !== 'running' && (
        <Button
          variant={state.kind === 'done' ? 'outlined' : 'contained'}
          size="small"
          disabled={moving === 0}
          onClick={() => {
            if (state.kind === 'done') setSeed(seed + 1);
            work.start();
          }}
        >
          {state.kind === 'done' ? 'Look for others' : 'Arrange'}
        </Button>
      )}
      {moving === 0 && (
        <Typography variant="body2">Everything is pinned: there is nothing to move.</Typography>
      )}
      <WorkLine
        work={work}
        says={(progress) =>
          progress ? `${progress.done} of ${progress.of} arrangements looked at` : 'Looking …'
        }
        share={({ done, of }) => done / of}
      />
      {offersIn(state) && <Offers {...props} offers={offersIn(state)!} />}
    </AskFrame>
  );
}

const WORTHS = [
  ['perDb', 'A dB is worth, m of cable', 1000],
  ['feet', 'Feet count, times', 100],
  ['perMove', 'Each thing moved, m of cable', 100],
] as const;

/** What there is to be taken: at the end, or the best so far where it was stopped. */
function offersIn(state: WorkStateOf<'arrange'>): readonly Arranged[] | null {
  if (state.kind === 'done') return state.answer;
  const best = state.kind === 'stopped' ? (state.progress?.best ?? []) : [];
  return best.length > 0 ? best : null;
}

function WishFields({
  wishes,
  onWish,
}: {
  readonly wishes: Wishes;
  readonly onWish: (wishes: Wishes) => void;
}) {
  return (
    <Box sx={{ my: 0.75 }}>
      <ChoiceField
        label="The loom leaves"
        value={wishes.leaves}
        options={[
          ['left', 'at the left'],
          ['right', 'at the right'],
        ]}
        onChange={(leaves) => onWish({ ...wishes, leaves })}
      />
      {WORTHS.map(([field, label, max]) => (
        <PlainNumberField
          key={field}
          label={label}
          value={wishes[field]}
          max={max}
          onChange={(value) => onWish({ ...wishes, [field]: value })}
        />
      ))}
      <FormControlLabel
        control={
          <Checkbox
            size="small"
            checked={wishes.turns.length > 1}
            onChange={(event) =>
              onWish({ ...wishes, turns: event.target.checked ? [0, 90, 180, 270] : [0] })
            }
          />
        }
        label="things may be turned"
        slotProps={{ typography: { variant: 'body2' } }}
      />
    </Box>
  );
}

/** What stays where it is. */
function Pinned({ plan, asking: { wishes } }: AskProps) {
  const names = plan.things.filter(({ id }) => wishes.pinned.includes(id)).map(({ name }) => name);
  return (
    <Typography variant="body2" sx={{ mb: 0.75, color: 'text.secondary' }}>
      {names.length === 0
        ? 'Nothing is pinned: select a thing and press K to keep it where it is.'
        : `Stays where it is: ${names.join(', ')}.`}
    </Typography>
  );
}

function Offers({ offers, ...props }: AskProps & { readonly offers: readonly Arranged[] }) {
  const { rig, plan, asking, actions } = props;
  const [shown, setShown] = useState(0);
  const offer = offers[shown] ?? offers[0];
  const drawn = useMemo(
    () => (offer ? { ghosts: ghostsOf(rig, plan, offer.edit) } : null),
    [offer, rig, plan],
  );
  useDrawn(asking, drawn);
  if (offers.length === 0)
    return (
      <Typography role="status" variant="body2" sx={{ mt: 0.75 }}>
        Nothing better was found: as it stands it is the best by these wishes.
      </Typography>
    );
  return (
    <Box component="ol" aria-label="Arrangements" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {offers.map((one, i) => (
        <Box
          component="li"
          key={one.kind}
          sx={{ borderTop: 1, borderColor: 'divider', py: 0.75, mt: 0.75 }}
        >
          <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
            <Typography component="h3" sx={{ fontWeight: 600, flex: 1 }}>
              {KIND_WORDS[one.kind]}
            </Typography>
            {one !== offer && (
              <Button size="small" onClick={() => setShown(i)}>
                Show it
              </Button>
            )}
            <Button size="small" variant="contained" onClick={() => actions.edit(one.edit)}>
              Stand them so
            </Button>
          </Box>
          <OfferedLines {...props} offered={one} />
        </Box>
      ))}
    </Box>
  );
}
