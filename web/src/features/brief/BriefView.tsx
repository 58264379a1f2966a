import { mainRow } from '@gullwind/core';
import { Box, Button } from '@mui/material';
import { useMemo } from 'react';
import { Link as RouterLink } from 'react-router';
import { useSettings } from '../../app/useSettings';
import { StagePage, useRigEdits, type OpenRig } from '../editor';
import { ApproachPart } from './ApproachPart';
import type { BriefPartProps } from './briefPart';
import { GearPart } from './GearPart';
import { LimitsPart } from './LimitsPart';
import { OrderPart } from './OrderPart';
import { PedalsPart } from './PedalsPart';
import { PlacesPart } from './PlacesPart';
import { ScenesPart } from './ScenesPart';

/** Everything a player says, in the order in which one asks; only guitar, pedals, cables and amp are needed. */
export function BriefView({ open }: { open: OpenRig }) {
  const { rig } = open;
  const [{ units }] = useSettings();
  const edit = useRigEdits();
  const props: BriefPartProps = useMemo(() => ({ rig, units, edit }), [rig, units, edit]);
  return (
    <StagePage
      open={open}
      stage="Brief"
      ways={<WaysOn open={open} />}
      columns={{ lg: 'minmax(0, 1fr) 390px' }}
    >
      <Box sx={{ ...COLUMN, borderRight: 1, borderColor: 'divider' }}>
        <GearPart {...props} />
        <PlacesPart {...props} />
        <PedalsPart {...props} />
        <OrderPart {...props} />
        <ScenesPart {...props} />
      </Box>
      <Box sx={COLUMN}>
        <ApproachPart {...props} />
        <LimitsPart {...props} />
      </Box>
    </StagePage>
  );
}

const COLUMN = {
  minWidth: 0,
  minHeight: 0,
  overflowY: { lg: 'auto' },
  px: 2,
  pb: 3,
} as const;

/** Where one goes from here. */
function WaysOn({ open }: { readonly open: OpenRig }) {
  return (
    <>
      <Button component={RouterLink} to={`/rigs/${open.id}/path`} size="small">
        See its path
      </Button>
      <Button
        component={RouterLink}
        to={`/rigs/${open.id}/plans`}
        size="small"
        variant="contained"
        disabled={mainRow(open.rig).cables.includes(null)}
      >
        Look for plans
      </Button>
    </>
  );
}
