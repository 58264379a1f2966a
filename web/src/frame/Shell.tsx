import { Box, Link, styled, Typography } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useEffect } from 'react';
import { generatePath, NavLink, Outlet, useMatch } from 'react-router';
import { Intake } from '../features/files';
import { STAGES, type Stage } from '../stages';
import { useOpenRigId } from '../app/openRig';
import { hearFailures } from '../app/failures';
import { ShowKeys } from '../app/showKeys';
import { RAIL_PX } from '../app/theme';
import { OutboxMark } from '../ui/OutboxMark';
import { KeysDialog } from './KeysDialog';
import { useStageKeys } from './useStageKeys';

const Stop = styled(NavLink)(({ theme }) => ({
  display: 'flex',
  flexDirection: 'column',
  alignItems: 'center',
  gap: 1,
  padding: '2px 0',
  fontSize: 13,
  lineHeight: '17px',
  textDecoration: 'none',
  color: theme.chart.faint,
  borderLeft: '3px solid transparent',
  [theme.breakpoints.down('sm')]: { padding: '6px 10px 4px', flex: 'none', fontSize: 12.5 },
  '&.active': { color: theme.chart.ink, borderLeftColor: theme.chart.sea, fontWeight: 600 },
  '&:focus-visible': { outline: `2px solid ${theme.chart.sea}`, outlineOffset: -3 },
}));

/** The rail of stages down the left, the page beside it. Stages that are not built have no place on it. */
export function Shell() {
  const keys = useStageKeys();
  useTellFailures();
  return (
    <ShowKeys value={keys.show}>
      <Box
        sx={{
          display: 'flex',
          flexDirection: { xs: 'column', sm: 'row' },
          minHeight: '100vh',
        }}
      >
        <SkipLink />
        <Rail />
        <Box id="page" tabIndex={-1} sx={{ flex: 1, minWidth: 0, outline: 'none' }}>
          <Intake>
            <Outlet />
          </Intake>
        </Box>
        <KeysDialog
          stage={keys.stage}
          groups={keys.groups}
          open={keys.isOpen}
          onClose={keys.hide}
        />
      </Box>
    </ShowKeys>
  );
}

/** What could not be computed is said where one is. */
function useTellFailures(): void {
  const { enqueueSnackbar } = useSnackbar();
  useEffect(
    () =>
      hearFailures((message) =>
        enqueueSnackbar(message, { variant: 'error', preventDuplicate: true }),
      ),
    [enqueueSnackbar],
  );
}

const [FIRST, ...REST] = STAGES as readonly [Stage, ...Stage[]];
const on = (rail: Stage['rail']) => REST.filter((stage) => stage.rail === rail);
const OF_RIG = on('rig');
const BESIDE = on('workshop');
const AT_FOOT = on('foot');

function Rail() {
  const inRig = useMatch('/rigs/:rigId/*');
  const lastRig = useOpenRigId();
  const rigId = inRig?.params.rigId ?? lastRig;
  return (
    <Box
      component="nav"
      aria-label="Stages"
      sx={{
        flex: 'none',
        display: 'flex',
        position: 'sticky',
        top: 0,
        // On a narrow screen a bar along the top.
        zIndex: { xs: 5, sm: 'auto' },
        bgcolor: 'background.default',
        overflow: { xs: 'auto hidden', sm: 'hidden auto' },
        flexDirection: { xs: 'row', sm: 'column' },
        width: { xs: '100%', sm: RAIL_PX },
        height: { sm: '100vh' },
        borderStyle: 'solid',
        borderColor: 'divider',
        borderWidth: { xs: '0 0 1px', sm: '0 1px 0 0' },
      }}
    >
      <Wordmark />
      <RailStop stage={FIRST} />
      {rigId && OF_RIG.map((stage) => <RailStop key={stage.route} stage={stage} rigId={rigId} />)}
      {BESIDE.map((stage) => (
        <RailStop key={stage.route} stage={stage} />
      ))}
      <Box sx={{ flex: 1 }} />
      {!inRig && (
        <Box role="status" sx={{ textAlign: 'center' }}>
          <OutboxMark />
        </Box>
      )}
      {AT_FOOT.map((stage) => (
        <RailStop key={stage.route} stage={stage} />
      ))}
    </Box>
  );
}

function RailStop({ stage, rigId = '' }: { stage: Stage; rigId?: string }) {
  const { route, label, icon: Icon } = stage;
  return (
    <Stop to={generatePath(route, { rigId })} end>
      <Icon fontSize="small" />
      {label}
    </Stop>
  );
}

function Wordmark() {
  return (
    <Box sx={{ pt: 1, pb: 0.75, px: 1, textAlign: 'center', display: { xs: 'none', sm: 'block' } }}>
      <Box
        component="img"
        src="/mark.svg"
        alt=""
        sx={{ width: 30, height: 30, display: 'block', mx: 'auto' }}
      />
      <Typography sx={{ fontSize: 13, fontWeight: 600, mt: 0.5 }}>Gullwind</Typography>
      <Link component={NavLink} to="/guide" color="inherit" sx={{ fontSize: 13 }}>
        Guide
      </Link>
    </Box>
  );
}

function SkipLink() {
  return (
    <Link
      href="#page"
      sx={{
        position: 'absolute',
        left: -9999,
        '&:focus': { left: 8, top: 8, zIndex: 10, bgcolor: 'background.paper', p: 1 },
      }}
    >
      To the page
    </Link>
  );
}
