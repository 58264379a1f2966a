import { standSomewhere, type BoardThing, type Edit, type Rig } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { LineButton } from '../../ui/LineButton';

interface Props {
  readonly rig: Rig;
  readonly things: readonly BoardThing[];
  readonly onEdit: (edit: Edit) => void;
  readonly onPlaced: (id: string) => void;
  readonly onArrange: () => void;
  /** Asks where one of them fits. */
  readonly onAsk: (id: string) => void;
}

const MOST_LINES = 8;

/** What is not placed yet, in the order of the chain: written, to be taken one by one. */
export function CargoList({ rig, things, onEdit, onPlaced, onArrange, onAsk }: Props) {
  if (things.length === 0) return null;
  const place = (id: string) => {
    const edit = standSomewhere(rig, id);
    if (!edit) return;
    onEdit(edit);
    onPlaced(id);
  };
  return (
    <Box component="section" aria-label="Not placed yet" sx={{ mb: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Cargo: not placed yet
        </Typography>
        <Button size="small" onClick={onArrange}>
          Place them all
        </Button>
      </Box>
      <Box
        component="ol"
        sx={{ m: 0, p: 0, listStyle: 'none', maxHeight: MOST_LINES * 29, overflowY: 'auto' }}
      >
        {things.map(({ id, name, isAssumed }) => (
          <li key={id} style={{ display: 'flex', alignItems: 'center' }}>
            <LineButton onClick={() => place(id)} title="Put it where it is in the way of nothing">
              {name}
              <i>{isAssumed ? 'size assumed' : ''}</i>
            </LineButton>
            <Button size="small" aria-label={`Where does ${name} fit?`} onClick={() => onAsk(id)}>
              fits?
            </Button>
          </li>
        ))}
      </Box>
    </Box>
  );
}
