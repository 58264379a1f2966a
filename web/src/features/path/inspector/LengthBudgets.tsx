import { formatQuantity, type LengthBudget, type Rig, type UnitSystem } from '@gullwind/core';
import { Box } from '@mui/material';
import { useMemo } from 'react';
import { analysisWorker } from '../../../workers/analysisWorker';
import { useLatest } from '../../../workers/useLatest';
import { Figure } from '../Figure';
import { PanelGroup } from './PanelHead';

const DROPS_DB = [0.5, 1, 3] as const;

interface Question {
  readonly rig: Rig;
  readonly index: number;
}

const ask = async ({ rig, index }: Question) => ({
  rig,
  index,
  budgets: await analysisWorker().lengthBudgets(rig, index, DROPS_DB),
});

interface Props extends Question {
  readonly units: UnitSystem;
}

/** How long the selected lead may be before treble falls so far below straight in, all else as it stands. */
export function LengthBudgets({ rig, index, units }: Props) {
  const question = useMemo(() => ({ rig, index }), [rig, index]);
  const answer = useLatest(question, ask);
  // An answer for another lead would be read as one for this.
  const budgets = answer?.index === index ? answer.budgets : null;
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
            value={budgets ? sayBudget(budgets[i]!, units) : '…'}
          />
        ))}
      </Box>
    </PanelGroup>
  );
}

function sayBudget(budget: LengthBudget, units: UnitSystem): string {
  switch (budget.kind) {
    case 'upTo':
      return formatQuantity(budget.lengthM, 'length', units);
    case 'beyond':
      return `over ${formatQuantity(budget.lengthM, 'length', units)}`;
    case 'outOfReach':
      return 'no length: the rest costs more';
    case 'muted':
      return 'nothing comes through';
  }
}
