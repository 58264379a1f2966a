import { sayPowerFault, type PowerFault, type Rig } from '@gullwind/core';
import { Typography } from '@mui/material';

interface Props {
  readonly rig: Rig;
  readonly faults: readonly PowerFault[];
}

/** What is wrong with what a panel is about. */
export const OwnFaults = ({ rig, faults }: Props) =>
  faults.map((fault) => (
    <Typography key={JSON.stringify(fault)} variant="body2" sx={{ color: 'error.main', mt: 0.5 }}>
      {sayPowerFault(rig, fault)}
    </Typography>
  ));
