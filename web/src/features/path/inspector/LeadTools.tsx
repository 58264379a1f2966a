import {
  findLead,
  formatQuantity,
  type LengthBudget,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box } from '@mui/material';
import { useMemo } from 'react';
import { analysisWorker } from '../../../workers/analysisWorker';
import { useLatest } from '../../../workers/useLatest';
import { Figure } from '../Figure';
import type { PathActions } from '../usePathActions';
import { PanelGroup } from './PanelHead';

const DROPS_DB = [0.5, 1, 3] as const;

interface Question {
  readonly rig: Rig;
  readonly rowId: string;
  readonly id: string;
}

const ask = async ({ rig, rowId, id }: Question) => ({
  rig,
  id,
  budgets: await analysisWorker().lengthBudgets(rig, rowId, id, DROPS_DB),
});

interface Props extends Question {
  readonly units: UnitSystem;
  readonly actions: PathActions;
}

/** How long the selected lead may be before treble falls so far below straight in, all else as it stands. */
export function LeadTools({ rig, rowId, id, units }: Props) {
  const question = useMemo(() => ({ rig, rowId, id }), [rig, rowId, id]);
  const answer = useLatest(question, ask);
  // An answer for another lead would be read as one for this.
  const budgets = answer?.id === id ? answer.budgets : null;
  const reachPerM = 1 / findLead(rig, id)!.coil.value;
  return (
    <PanelGroup title="Longest before treble falls below straight in">
      <Box
        component="dl"
        data-testid="budgets"
        sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto 1fr' }}
      >
        {DROPS_DB.map((dropDb, i) => (
          <Figure
            key={dropDb}
            name={`by ${dropDb} dB`}
            value={budgets ? sayBudget(budgets[i]!, reachPerM, units) : '…'}
          />
        ))}
      </Box>
    </PanelGroup>
  );
}

function sayBudget(budget: LengthBudget, reachPerM: number, units: UnitSystem): string {
  switch (budget.kind) {
    case 'upTo':
      return formatQuantity(budget.lengthM * reachPerM, 'length', units);
    case 'beyond':
      return `over ${formatQuantity(budget.lengthM * reachPerM, 'length', units)}`;
    case 'outOfReach':
      return 'no length: the rest costs more';
    case 'muted':
      return 'nothing comes through';
  }
}
