import {
  FIELD_RULES,
  formatQuantity,
  formatSignedDb,
  type Assumption,
  type FieldRule,
  type Rig,
  type UnitSystem,
  chainOf,
  type Chain,
} from '@gullwind/core';
import { Box, Typography } from '@mui/material';
import { LineButton } from '../../ui/LineButton';
import { useMemo } from 'react';
import { useLatest } from '../../workers/useLatest';
import { questionsWorker } from '../../workers/workers';

interface Props {
  readonly rig: Rig;
  readonly rowId: string;
  readonly units: UnitSystem;
  readonly onSelect: (kind: Assumption['parts'][number]['kind'], id: string) => void;
}

const ask = async ({ rig, rowId }: { readonly rig: Chain; readonly rowId: string }) => ({
  rig,
  found: await questionsWorker().assumptions(rig, rowId),
});

/** The five assumed values that the treble of a rig rests on most. */
export function Assumptions({ rig, rowId, units, onSelect }: Props) {
  const chain = chainOf(rig);
  const question = useMemo(() => ({ rig: chain, rowId }), [chain, rowId]);
  const answer = useLatest(question, ask);
  if (!answer) return <Typography variant="body2">…</Typography>;
  if (answer.found.length === 0)
    return <Typography variant="body2">Nothing here is assumed that would matter.</Typography>;
  return (
    <>
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        How far treble moves while each goes from the low to the high end of its range. Measure the
        first.
      </Typography>
      <Box data-testid="assumptions">
        {answer.found.map((assumption) => {
          const { parts, path, lowDb, highDb } = assumption;
          const [part] = parts as [Assumption['parts'][number]];
          return (
            <LineButton
              key={`${part.id} ${path}`}
              type="button"
              onClick={() => onSelect(part.kind, part.id)}
            >
              <i>
                {formatSignedDb(lowDb)} … {formatSignedDb(highDb)}
              </i>
              {sayAssumption(assumption, units)}
            </LineButton>
          );
        })}
      </Box>
    </>
  );
}

function sayAssumption({ parts, path, value }: Assumption, units: UnitSystem): string {
  const [{ kind, name }] = parts as [Assumption['parts'][number]];
  const rules: Readonly<Record<string, FieldRule>> = FIELD_RULES[kind];
  const { label, quantity } = rules[path]!;
  const who = parts.length > 1 ? `${name} and ${parts.length - 1} more` : name;
  return `${who}: ${label.toLowerCase()}, ${formatQuantity(value, quantity, units)}`;
}
