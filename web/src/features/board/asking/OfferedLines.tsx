import {
  formatStripLength,
  sayConflict,
  sayRework,
  sayTrebleChange,
  type BoardPlan,
  type Offered,
  type UnitSystem,
} from '@gullwind/core';
import { Typography } from '@mui/material';

interface Props {
  readonly plan: BoardPlan;
  readonly offered: Offered;
  readonly units: UnitSystem;
  /** The work is told as if all of it were built. */
  readonly isAsIf: boolean;
}

const sayFeet = ({ free, careful, hit }: Offered['feet']): string =>
  free + careful + hit === 0
    ? 'No switches.'
    : `Feet: ${free} free, ${careful} with care, ${hit} meet another.`;

/** Treble, metres, feet, minutes; and what is in the way then. */
export function OfferedLines({ plan, offered, units, isAsIf }: Props) {
  const { rework, laidM, otherM, feet, conflicts, leftOver } = offered;
  const name = (id: string) => plan.things.find((thing) => thing.id === id)?.name ?? id;
  const lines = [
    sayTrebleChange(rework) ?? 'Nothing is heard at the amp.',
    `Cable as laid ${formatStripLength(laidM, units)}${otherM > 0 ? `, DC and control ${formatStripLength(otherM, units)}` : ''}.`,
    sayFeet(feet),
    ...(leftOver.length > 0 ? [`No room for ${leftOver.map(name).join(', ')}.`] : []),
    ...(isAsIf ? ['As if the board were built as it is:'] : []),
    ...sayRework(rework, units),
    ...conflicts.map((one) => `In the way then: ${sayConflict(plan, one, units)}.`),
  ];
  return lines.map((line) => (
    <Typography key={line} variant="body2">
      {line}
    </Typography>
  ));
}
