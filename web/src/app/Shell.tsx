import AltRouteOutlined from '@mui/icons-material/AltRouteOutlined';
import CableOutlined from '@mui/icons-material/CableOutlined';
import CallMergeOutlined from '@mui/icons-material/CallMergeOutlined';
import ForumOutlined from '@mui/icons-material/ForumOutlined';
import HomeRepairServiceOutlined from '@mui/icons-material/HomeRepairServiceOutlined';
import RouteOutlined from '@mui/icons-material/RouteOutlined';
import SettingsOutlined from '@mui/icons-material/SettingsOutlined';
import SpeakerOutlined from '@mui/icons-material/SpeakerOutlined';
import { Box, Link, styled, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { NavLink, Outlet, useMatch } from 'react-router';
import { Intake } from '../features/files';
import { useAppSelector } from './store';

const RAIL_PX = 76;

const Stop = styled(NavLink)(({ theme }) => ({
  display: 'flex',
  flexDirection: 'column',
  alignItems: 'center',
  gap: 2,
  padding: '10px 0',
  fontSize: 13,
  textDecoration: 'none',
  color: theme.chart.faint,
  borderLeft: '3px solid transparent',
  '&.active': { color: theme.chart.ink, borderLeftColor: theme.chart.sea, fontWeight: 600 },
  '&:focus-visible': { outline: `2px solid ${theme.chart.sea}`, outlineOffset: -3 },
}));

/** The rail of stages down the left, the page beside it. Stages that are not built have no place on it. */
export function Shell() {
  const inRig = useMatch('/rigs/:rigId/*');
  const lastRig = useAppSelector((state) => state.editor.open?.id);
  const rigId = inRig?.params.rigId ?? lastRig;
  return (
    <Box sx={{ display: 'flex', minHeight: '100vh' }}>
      <SkipLink />
      <Box
        component="nav"
        aria-label="Stages"
        sx={{
          width: RAIL_PX,
          flex: 'none',
          borderRight: 1,
          borderColor: 'divider',
          display: 'flex',
          flexDirection: 'column',
          position: 'sticky',
          top: 0,
          height: '100vh',
        }}
      >
        <Wordmark />
        <RailStop to="/" label="Rigs" icon={<HomeRepairServiceOutlined fontSize="small" />} />
        {rigId && <StagesOf rigId={rigId} />}
        <RailStop to="/gear" label="Gear" icon={<CableOutlined fontSize="small" />} />
        <Box sx={{ flex: 1 }} />
        <RailStop to="/di" label="Which DI" icon={<CallMergeOutlined fontSize="small" />} />
        <RailStop to="/speaker" label="Speaker" icon={<SpeakerOutlined fontSize="small" />} />
        <RailStop to="/settings" label="Settings" icon={<SettingsOutlined fontSize="small" />} />
      </Box>
      <Box id="page" tabIndex={-1} sx={{ flex: 1, minWidth: 0, outline: 'none' }}>
        <Intake>
          <Outlet />
        </Intake>
      </Box>
    </Box>
  );
}

/** The stages of a rig, in the order of the job. */
function StagesOf({ rigId }: { rigId: string }) {
  return (
    <>
      <RailStop
        to={`/rigs/${rigId}/brief`}
        label="Brief"
        icon={<ForumOutlined fontSize="small" />}
      />
      <RailStop to={`/rigs/${rigId}/path`} label="Path" icon={<RouteOutlined fontSize="small" />} />
      <RailStop
        to={`/rigs/${rigId}/plans`}
        label="Plans"
        icon={<AltRouteOutlined fontSize="small" />}
      />
    </>
  );
}

function RailStop({ to, label, icon }: { to: string; label: string; icon: ReactNode }) {
  return (
    <Stop to={to} end>
      {icon}
      {label}
    </Stop>
  );
}

function Wordmark() {
  return (
    <Box sx={{ py: 1.5, textAlign: 'center' }}>
      <Box
        component="img"
        src="/mark.svg"
        alt=""
        sx={{ width: 30, height: 30, display: 'block', mx: 'auto' }}
      />
      <Typography sx={{ fontSize: 13, fontWeight: 600, mt: 0.5 }}>Gullwind</Typography>
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
