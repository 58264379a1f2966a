import type { Point } from '@gullwind/core';
import { Button, Typography } from '@mui/material';
import { useState } from 'react';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { AskFrame } from '../asking/AskFrame';
import type { AskProps } from '../panelProps';
import { SizeField } from '../panels/SizeField';
import { CORNERS, scaled, straightened, traced } from '../model/marking';

const DISTANCE_RULE = { label: 'Between both', quantity: 'size', min: 0.01, max: 5 } as const;

/** Points are marked on the photograph: two of known distance, or the four corners of the board. */
export function MarkPanel({ what, ...props }: AskProps & { readonly what: 'two' | 'four' }) {
  const { plan, units, asking, photo } = props;
  const { marked, onMarked } = asking;
  const [distanceM, setDistance] = useState(plan.decks[0]!.board.widthM.value);
  const [message, setMessage] = useState<string | null>(null);
  const many = what === 'two' ? 2 : 4;
  const take = () => {
    const lie =
      what === 'two'
        ? scaled(photo.photo!, plan, marked as unknown as readonly [Point, Point], distanceM)
        : straightened(photo.photo!, plan, marked);
    if (!lie) return setMessage('These points are in one line, or the same: mark them again.');
    photo.lay(lie);
    return asking.onAsk(null);
  };
  const title = what === 'two' ? 'Scale by two points' : 'Straighten by four corners';
  return (
    <AskFrame title={title} onClose={() => asking.onAsk(null)}>
      <Typography role="status" sx={{ my: 0.75, fontSize: 15 }}>
        {sayNext(what, marked.length)}
      </Typography>
      {what === 'two' && (
        <SizeField
          label="Between both"
          rule={DISTANCE_RULE}
          value={distanceM}
          units={units}
          onChange={setDistance}
        />
      )}
      <Button size="small" variant="contained" disabled={marked.length < many} onClick={take}>
        {what === 'two' ? 'Scale it' : 'Straighten it'}
      </Button>
      {marked.length > 0 && (
        <Button size="small" onClick={() => onMarked([])}>
          Mark them again
        </Button>
      )}
      {message && (
        <Typography role="alert" variant="body2" sx={{ color: 'error.main' }}>
          {message}
        </Typography>
      )}
    </AskFrame>
  );
}

function sayNext(what: 'two' | 'four', count: number): string {
  if (what === 'four')
    return count < 4
      ? `Press on the photograph: the ${CORNERS[count]!} corner of the board.`
      : 'All four are marked: they come to lie on the corners of the board.';
  if (count === 0) return 'Press on the photograph: the front left corner of the board.';
  return count === 1
    ? 'And another point on its front edge, as far to the right as you know the distance to.'
    : 'Type how far apart both are. The first comes to lie on the corner, the second level with it.';
}

const TRACE_WORDS = [
  'Press on one corner of its case.',
  'And on the opposite one.',
  'Both are marked.',
] as const;

/** What is traced, one thing after the other: two opposite corners of its case. */
export function TracePanel(props: AskProps) {
  const { rig, plan, asking, actions } = props;
  const { marked, onMarked } = asking;
  const loose = plan.things.filter(({ id }) => !rig.layout.placements[id]);
  const [chosen, setChosen] = useState<string | null>(null);
  const id = chosen ?? loose[0]?.id ?? plan.things[0]?.id ?? '';
  const place = () => {
    const edit = traced(rig, plan, id, marked as unknown as readonly [Point, Point]);
    if (edit) actions.edit(edit);
    onMarked([]);
    setChosen(null);
  };
  return (
    <AskFrame title="Trace the photograph" onClose={() => asking.onAsk(null)}>
      <ChoiceField
        label="What"
        value={id}
        options={plan.things.map((thing) => [thing.id, thing.name] as const)}
        onChange={setChosen}
      />
      <Typography role="status" sx={{ my: 0.75, fontSize: 15 }}>
        {TRACE_WORDS[marked.length]}
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        A case that nobody has measured becomes as large as what you mark.
      </Typography>
      <Button
        size="small"
        variant="contained"
        disabled={marked.length < 2 || id === ''}
        onClick={place}
      >
        Stand it there
      </Button>
      {marked.length > 0 && (
        <Button size="small" onClick={() => onMarked([])}>
          Mark again
        </Button>
      )}
    </AskFrame>
  );
}
