import { DAYS_REMOVED, type RigListing } from '@gullwind/contract';
import {
  DIRECTION_WORDS,
  formatQuantity,
  formatSignedDb,
  saysWhose,
  SIZE_WORDS,
  sizeHeard,
  type UnitSystem,
} from '@gullwind/core';
import ContentCopyOutlined from '@mui/icons-material/ContentCopyOutlined';
import DeleteOutline from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, Link, styled, Tooltip, Typography } from '@mui/material';
import { addDays, format, formatDistanceToNow } from 'date-fns';
import { lazy, Suspense } from 'react';
import { Link as RouterLink } from 'react-router';
import { SOUNDING_FONT } from '../../app/theme';
import { useSettings } from '../../app/useSettings';
import { JobLine } from './JobLine';
import { MiniRun } from './MiniRun';
import { PlainRow } from './PlainRow';
import { UnreadableRow } from './UnreadableRow';
import type { RigActions } from './useRigActions';

interface Props {
  readonly rigs: readonly RigListing[];
  readonly actions: RigActions;
  /** The last of them is in sight. */
  readonly onEnd: () => void;
}

const Rows = styled('ul')({ listStyle: 'none', padding: 0, margin: 0 });

/** What draws only those in sight is loaded where there are many. */
const LongList = lazy(async () => ({ default: (await import('./LongList')).LongList }));
const MANY = 30;

/** The rigs, of many only those in sight. */
export function RigList({ rigs, actions, onEnd }: Props) {
  const [{ units }] = useSettings();
  if (rigs.length === 0) return null;
  const row = (rig: RigListing) => <Row rig={rig} units={units} actions={actions} />;
  const few = (
    <Rows>
      {rigs.slice(0, MANY).map((rig) => (
        <li key={rig.id}>{row(rig)}</li>
      ))}
    </Rows>
  );
  if (rigs.length <= MANY) return few;
  return (
    <Suspense fallback={few}>
      <LongList rigs={rigs} row={row} list={Rows} onEnd={onEnd} />
    </Suspense>
  );
}

/** On a narrow screen one below the other. */
const ACROSS = { gridColumn: { xs: '1 / -1', lg: 'auto' }, minWidth: 0 } as const;

interface RowProps {
  readonly rig: RigListing;
  readonly units: UnitSystem;
  readonly actions: RigActions;
}

function Row({ rig, units, actions }: RowProps) {
  const takeOff = () => void actions.takeOff(rig);
  if (rig.deletedAt !== null) return <RemovedRow rig={rig} units={units} actions={actions} />;
  if (rig.unreadable !== null) return <UnreadableRow rig={rig} onDelete={takeOff} />;
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: {
          xs: 'minmax(0, 1fr) 80px',
          lg: 'minmax(0, 1fr) 430px 150px 80px',
        },
        gap: 2,
        alignItems: 'center',
        borderTop: 1,
        borderColor: 'divider',
        py: 1.5,
      }}
    >
      <Box sx={ACROSS}>
        <RigTexts rig={rig} units={units} />
      </Box>
      <Box sx={ACROSS}>
        <MiniRun rig={rig} />
        <JobLine id={rig.id} job={rig.job} />
      </Box>
      <RigFigure rig={rig} />
      <RigTools rig={rig} actions={actions} />
    </Box>
  );
}

function RigTools({ rig, actions }: Omit<RowProps, 'units'>) {
  return (
    <Box sx={{ textAlign: 'right', whiteSpace: 'nowrap' }}>
      <Tooltip title="Duplicate">
        <IconButton
          aria-label={`Duplicate “${rig.name}”`}
          onClick={() => void actions.duplicate(rig)}
          size="small"
        >
          <ContentCopyOutlined fontSize="small" />
        </IconButton>
      </Tooltip>
      <IconButton
        aria-label={`Delete “${rig.name}”`}
        onClick={() => void actions.takeOff(rig)}
        size="small"
      >
        <DeleteOutline fontSize="small" />
      </IconButton>
    </Box>
  );
}

/** A rig that was taken off the list: until when it can be put back. */
function RemovedRow({ rig, actions }: RowProps) {
  const removed = new Date(rig.deletedAt!);
  return (
    <PlainRow>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography component="h2" variant="h2" noWrap title={rig.name} sx={{ fontSize: 18 }}>
          {rig.name}
        </Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {rig.player && `${rig.player} · `}removed {formatDistanceToNow(removed)} ago; it can be
          put back until {format(addDays(removed, DAYS_REMOVED), 'd MMMM')}
        </Typography>
      </Box>
      <Button variant="outlined" size="small" onClick={() => void actions.putBack(rig)}>
        Put it back
      </Button>
    </PlainRow>
  );
}

/** What it is called, whose it is, and what is in it. */
function RigTexts({ rig, units }: Omit<RowProps, 'actions'>) {
  const pedals =
    rig.pedals === 0 ? 'no pedals' : rig.pedals === 1 ? '1 pedal' : `${rig.pedals} pedals`;
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography component="h2" variant="h2" noWrap title={rig.name} sx={{ fontSize: 18 }}>
        <Link component={RouterLink} to={`/rigs/${rig.id}/path`} color="inherit" underline="hover">
          {rig.name}
        </Link>
      </Typography>
      <Typography variant="body2" noWrap sx={{ color: 'text.secondary' }}>
        {[rig.player, pedals, `${formatQuantity(rig.cableM, 'length', units)} of cable`]
          .filter(Boolean)
          .join(' · ')}
      </Typography>
      {rig.note && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          {rig.note}
        </Typography>
      )}
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        changed {formatDistanceToNow(new Date(rig.updatedAt), { addSuffix: true })}
      </Typography>
    </Box>
  );
}

function RigFigure({ rig: { trebleDb, octavesDb, verdict } }: { readonly rig: RigListing }) {
  const [{ scale }] = useSettings();
  if (trebleDb === null || !octavesDb || !verdict)
    return <Typography variant="body2">silent as it stands</Typography>;
  const { direction } = verdict;
  const size = sizeHeard(octavesDb, scale);
  // Octaves that go opposite ways cancel in one figure: both are said.
  const isSplit = direction === 'moreVocal' || direction === 'thinner';
  const figures = isSplit
    ? octavesDb.map((db) => formatSignedDb(db)).join(', ')
    : formatSignedDb(trebleDb);
  return (
    <Box title={isSplit ? 'at 2–4 kHz, at 4–8 kHz' : 'treble, 2–8 kHz'}>
      <Typography
        sx={{
          fontFamily: SOUNDING_FONT,
          fontStyle: 'italic',
          fontSize: isSplit ? 19 : 22,
          lineHeight: 1.2,
        }}
      >
        {figures} dB
      </Typography>
      <Typography variant="body2">
        {size === 'unlikely'
          ? SIZE_WORDS.unlikely
          : `${DIRECTION_WORDS[direction]}, ${SIZE_WORDS[size]}`}
        {saysWhose(scale)}
      </Typography>
    </Box>
  );
}
