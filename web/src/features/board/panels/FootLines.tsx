import { formatQuantity, sayThing, type Foot, type UnitSystem } from '@gullwind/core';
import { Box, Checkbox, FormControlLabel, Typography } from '@mui/material';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import type { PanelProps } from '../panelProps';

const FREEDOM = { free: 'free', careful: 'wants care', hit: 'meets another' } as const;

const size = (m: number, units: UnitSystem): string =>
  formatQuantity(Math.floor(m * 1000 + 1e-6) / 1000, 'size', units);

/** How a foot gets to the switches of a thing, and whether they must never be missed. */
export function FootLines({ plan, rig, units, actions, thing }: PanelProps & { thing: string }) {
  const feet = plan.feet.filter((foot) => foot.thing === thing);
  if (feet.length === 0) return null;
  const { neverMissed } = rig.layout;
  const isSure = neverMissed.includes(thing);
  const others = neverMissed.filter((one) => one !== thing);
  const to = isSure ? others : [...others, thing];
  return (
    <PanelGroup title="Foot">
      {feet.map((foot) => (
        <Box key={foot.nth} sx={{ display: 'flex', gap: 1, fontSize: 14 }}>
          <b>{FREEDOM[foot.freedom]}</b>
          <Typography variant="body2" sx={{ color: 'text.secondary', ml: 'auto' }}>
            {foot.nearest
              ? `${size(foot.nearest.distanceM, units)} to ${sayThing(plan, foot.nearest.thing)}`
              : 'nothing beside it'}
          </Typography>
        </Box>
      ))}
      {feet.map((foot) => (
        <Typography key={foot.nth} variant="body2">
          {saySole(foot, units)}
        </Typography>
      ))}
      <FormControlLabel
        control={
          <Checkbox
            size="small"
            checked={isSure}
            onChange={() => actions.edit({ kind: 'assign', field: 'neverMissed', to })}
          />
        }
        label="must never be missed"
        slotProps={{ typography: { variant: 'body2' } }}
      />
    </PanelGroup>
  );
}

/** How high the sole passes over what stands before it; nothing where nothing does. */
function saySole({ passesM }: Foot, units: UnitSystem): string {
  if (passesM === null) return '';
  return passesM >= 0
    ? `The sole passes ${size(passesM, units)} above what stands before it.`
    : `The sole is ${size(-passesM, units)} too low over what stands before it.`;
}
