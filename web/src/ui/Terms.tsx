import { formatQuantity, type ReferenceCable, type UnitSystem } from '@gullwind/core';
import { styled, Tooltip } from '@mui/material';
import type { ReactNode } from 'react';

const Met = styled('dfn')({
  fontStyle: 'inherit',
  textDecoration: 'underline dotted',
  textUnderlineOffset: 3,
  cursor: 'help',
});

interface Props {
  readonly text: string;
  /** What "straight in" means here; null where there are several rigs. */
  readonly reference: ReferenceCable | null;
  readonly units: UnitSystem;
}

/** What a reader may meet for the first time, and its meaning in one sentence. */
const MEANINGS: readonly (readonly [word: RegExp, says: (props: Props) => string])[] = [
  [/straight in(?: \([^)]*\))?/u, sayStraightInMeans],
  [
    /\bspread\b/u,
    () =>
      'Spread: how far apart switching alone gets the treble, from the dullest state to the brightest.',
  ],
  [
    /\bexposed\b/u,
    () => 'Exposed: cable that the pickup itself drives; its capacitance takes treble.',
  ],
  [
    /\bsheltered\b/u,
    () => 'Sheltered: cable after something of low impedance; its length hardly matters.',
  ],
];

function sayStraightInMeans({ reference, units }: Props): string {
  const cable = reference
    ? `one cable of ${formatQuantity(reference.lengthM.value, 'length', units)}`
    : 'one cable, whose length each rig says,';
  return `Straight in: the same guitar through ${cable} into the same amp, with nothing between.`;
}

/** A text in which every term, where it is met first, has its meaning under it: a dotted line, one sentence. */
export function Terms(props: Props) {
  const parts: ReactNode[] = [];
  let rest = props.text;
  const open = new Set(MEANINGS);
  for (;;) {
    const found = [...open]
      .map((meaning) => ({ meaning, at: meaning[0].exec(rest) }))
      .filter(({ at }) => at !== null)
      .sort((a, b) => a.at!.index - b.at!.index)[0];
    if (!found) break;
    const { meaning, at } = found;
    open.delete(meaning);
    parts.push(
      rest.slice(0, at!.index),
      <Tooltip key={meaning[0].source} title={meaning[1](props)} describeChild>
        <Met tabIndex={0}>{at![0]}</Met>
      </Tooltip>,
    );
    rest = rest.slice(at!.index + at![0].length);
  }
  return (
    <>
      {parts}
      {rest}
    </>
  );
}
