import { Box, Dialog, DialogContent, DialogTitle, Typography } from '@mui/material';
import type { KeyGroup } from '../stages';

interface Props {
  readonly groups: readonly KeyGroup[];
  readonly open: boolean;
  readonly onClose: () => void;
}

/** The keys of the stage that is looked at. */
export function KeysDialog({ groups, open, onClose }: Props) {
  return (
    <Dialog open={open} onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent tabIndex={0} sx={{ columnCount: groups.length > 2 ? 2 : 1, columnGap: 4 }}>
        {groups.map((group) => (
          <Group key={group.heading} {...group} />
        ))}
      </DialogContent>
    </Dialog>
  );
}

const Group = ({ heading, keys }: KeyGroup) => (
  <Box sx={{ breakInside: 'avoid', mb: 2 }}>
    <Typography variant="h2" gutterBottom>
      {heading}
    </Typography>
    <Box
      component="dl"
      sx={{ m: 0, display: 'grid', gridTemplateColumns: '92px 1fr', rowGap: 0.5, columnGap: 1 }}
    >
      {keys.map(([key, does]) => (
        <Box key={key} sx={{ display: 'contents' }}>
          <Typography component="dt" variant="body2" sx={{ fontWeight: 600 }}>
            {key}
          </Typography>
          <Typography component="dd" variant="body2" sx={{ m: 0 }}>
            {does}
          </Typography>
        </Box>
      ))}
    </Box>
  </Box>
);
