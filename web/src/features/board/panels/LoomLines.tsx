import {
  bundleDiameter,
  DIAMETERS_M,
  formatQuantity,
  freshId,
  sayWire,
  type Loom,
  type Wire,
} from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { NameField } from '../../../ui/NameField';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import type { PanelProps } from './ThingPanel';

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
  const wires = plan.wires.filter(({ connection }) => loom.cables.includes(connection.id));
  const at = rig.layout.looms.indexOf(loom);
  const replace = (insert: readonly Loom[]) =>
    actions.edit({ kind: 'list', of: 'looms', at, remove: 1, insert });
  return (
    <Box sx={{ mb: 0.5 }}>
      <NameField
        label="Name of the loom"
        value={loom.name}
        onChange={(name) => replace([{ ...loom, name }])}
        sx={{ fontSize: 14, fontWeight: 600 }}
      />
      <Typography variant="body2">
        {`${wires.map(({ connection }) => sayWire(plan, connection.id)).join('; ')}. A bundle of ${formatQuantity(thicknessOf(wires), 'size', units)}, ${formatQuantity(longestOf(wires), 'length', units)} long.`}
      </Typography>
      <Button size="small" onClick={() => replace([])}>
        Untie it
      </Button>
    </Box>
  );
}

const thicknessOf = (wires: readonly Wire[]): number =>
  bundleDiameter(wires.map(({ connection }) => DIAMETERS_M[connection.carries]));

const longestOf = (wires: readonly Wire[]): number =>
  Math.max(0, ...wires.map(({ connection }) => connection.lengthM));
