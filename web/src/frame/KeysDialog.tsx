import { Box, Dialog, DialogContent, DialogTitle, Link, Typography } from '@mui/material';
import { lazy, Suspense } from 'react';
import { Link as RouterLink } from 'react-router';
import type { KeyGroup, Stage } from '../stages';

const GuideText = lazy(async () => ({ default: (await import('../features/guide')).GuideText }));

interface Props {
  readonly stage: Stage;
  readonly groups: readonly KeyGroup[];
  readonly open: boolean;
  readonly onClose: () => void;
}

/** What the stage that is looked at is for, and its keys. */
export function KeysDialog({ stage, groups, open, onClose }: Props) {
  return (
    <Dialog open={open} onClose={onClose} maxWidth="md" fullWidth aria-labelledby="help-title">
      <DialogTitle component="div" id="help-title" sx={{ pb: 0 }}>
        {`Help: ${stage.label}`}
      </DialogTitle>
      <DialogContent
        tabIndex={0}
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 270px' },
          columnGap: 4,
        }}
      >
        <Box>
          <Suspense fallback={<Typography role="status">Opening the guide …</Typography>}>
            <GuideText name={stage.guide} />
          </Suspense>
        </Box>
        <Box>
          <Typography variant="h2" sx={{ fontSize: 17, mb: 1 }}>
            Keys
          </Typography>
          {groups.map((group) => (
            <Group key={group.heading} {...group} />
          ))}
          <Link component={RouterLink} to={`/guide?page=${stage.guide}`}>
            All of the guide, and a search through it
          </Link>
        </Box>
      </DialogContent>
    </Dialog>
  );
}

const Group = ({ heading, keys }: KeyGroup) => (
  <Box sx={{ breakInside: 'avoid', mb: 2 }}>
    <Typography variant="h3" gutterBottom sx={{ fontSize: 15, fontWeight: 600 }}>
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
