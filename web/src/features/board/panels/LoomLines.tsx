import { formatQuantity, freshId, loomsAt, sayLoom, sayWire, type Loom } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { NameField } from '../../../ui/NameField';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import type { PanelProps } from '../panelProps';

/** Cables that leave the boards, tied as one. */
export function LoomLines({ rig, plan, units, actions }: PanelProps) {
  const { looms } = rig.layout;
  const tied = new Set(looms.flatMap(({ cables }) => cables));
  const leaving = plan.wires.filter(
    ({ isOnBoards, from, to, connection }) =>
      !isOnBoards && (from ?? to) !== null && !tied.has(connection.id),
  );
  if (looms.length === 0 && leaving.length < 2) return null;
  const tie = () => {
    const loom = {
      id: freshId(rig, 'm'),
      name: `loom ${looms.length + 1}`,
      cables: leaving.map(({ connection }) => connection.id),
    };
    actions.edit({ kind: 'list', of: 'looms', at: looms.length, remove: 0, insert: [loom] });
  };
  return (
    <PanelGroup title="Looms">
      {looms.map((loom) => (
        <LoomLine key={loom.id} {...{ rig, plan, units, actions, loom }} />
      ))}
      {leaving.length >= 2 && (
        <Button size="small" onClick={tie}>
          {`Tie the ${leaving.length} cables that leave as one loom`}
        </Button>
      )}
    </PanelGroup>
  );
}

function LoomLine({ rig, plan, units, actions, loom }: PanelProps & { readonly loom: Loom }) {
  const nth = rig.layout.looms.indexOf(loom);
  const at = loomsAt(rig, plan).find((one) => one.loom === loom);
  const size = (m: number) => formatQuantity(m, 'size', units);
  const replace = (insert: readonly Loom[]) =>
    actions.edit({ kind: 'list', of: 'looms', at: nth, remove: 1, insert });
  return (
    <Box sx={{ mb: 0.5 }}>
      <NameField
        label="Name of the loom"
        value={loom.name}
        onChange={(name) => replace([{ ...loom, name }])}
        sx={{ fontSize: 14, fontWeight: 600 }}
      />
      <Typography variant="body2">
        {at
          ? `${sayLoom(at, units)}, ${size(at.diameterM)} thick. ${at.breakouts.map(({ cable, boardM, farM }) => `${sayWire(plan, cable)}: alone ${size(boardM)} at the board and ${size(farM)} at the other end`).join('; ')}.`
          : 'None of its cables leaves the boards.'}
      </Typography>
      <Button size="small" onClick={() => replace([])}>
        Untie it
      </Button>
    </Box>
  );
}
