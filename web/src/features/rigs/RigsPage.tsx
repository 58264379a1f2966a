import { RIG_SORTS, type RigQuery, type RigSort } from '@gullwind/contract';
import Add from '@mui/icons-material/Add';
import { Alert, Box, Button, Skeleton, TextField, Typography } from '@mui/material';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { Link as RouterLink, useSearchParams } from 'react-router';
import { messageOf, useListRigsInfiniteQuery } from '../../app/api';
import { useSettings } from '../../app/useSettings';
import { HatchPattern } from '../../ui/HatchPattern';
import { ChoiceField } from '../../ui/parts/ChoiceField';
import { DueList } from '../build';
import { Terms } from '../../ui/Terms';
import { RigList } from './RigList';
import { useRigActions, type RigActions } from './useRigActions';

/** How often a server that does not answer is asked again. */
const ASK_AGAIN_MS = 1500;

const SORT_WORDS: Readonly<Record<RigSort, string>> = {
  changed: 'last changed first',
  deadline: 'due first',
  name: 'by name',
  player: 'by player',
  treble: 'dullest first',
};

/** Which rigs are shown, as the address says it. */
function useView() {
  const [asked, setAsked] = useSearchParams();
  const sort = RIG_SORTS.find((one) => one === asked.get('sort')) ?? 'changed';
  const change = (key: string, value: string) =>
    setAsked(
      () => {
        const after = new URLSearchParams(window.location.search);
        if (value === '') after.delete(key);
        else after.set(key, value);
        return after;
      },
      { replace: true },
    );
  return { search: asked.get('search') ?? '', sort, removed: asked.has('removed'), change };
}

type View = ReturnType<typeof useView>;

/** The rigs of a view, page after page. */
function useRigs({ search, sort, removed }: Omit<RigQuery, 'from'>) {
  const [isAway, setAway] = useState(false);
  const { data, error, fetchNextPage, hasNextPage, isFetching } = useListRigsInfiniteQuery(
    { search, sort, removed },
    { pollingInterval: isAway ? ASK_AGAIN_MS : 0, refetchOnFocus: true },
  );
  useEffect(() => setAway(error !== undefined), [error]);
  const rigs = useMemo(() => data?.pages.flatMap((page) => page.rigs), [data]);
  const more = () => {
    if (hasNextPage && !isFetching) void fetchNextPage();
  };
  return { rigs, total: data?.pages[0]?.total ?? 0, error, more };
}

/** All rigs of the workshop, each with its thread in small, so that the dull one shows at once. */
export function RigsPage() {
  const view = useView();
  const { rigs, total, error, more } = useRigs(view);
  const actions = useRigActions();
  useEffect(() => {
    document.title = 'Rigs · Gullwind';
  }, []);
  return (
    <Box component="main" sx={{ p: 3, maxWidth: 1120 }}>
      <HatchPattern />
      <Heading removed={view.removed} onRemoved={(value) => view.change('removed', value)}>
        <Button variant="contained" startIcon={<Add />} onClick={() => void actions.add('path')}>
          New rig
        </Button>
      </Heading>
      {!view.removed && view.search === '' && <DueList />}
      {error && <Alert severity="warning">{messageOf(error)}</Alert>}
      {!rigs && !error && <Skeleton variant="rectangular" height={280} />}
      {rigs?.length === 0 && view.search === '' ? null : <Finder view={view} total={total} />}
      {rigs?.length === 0 && <Nothing view={view} actions={actions} />}
      {rigs && <RigList rigs={rigs} actions={actions} onEnd={more} />}
    </Box>
  );
}

function Nothing({ view, actions }: { readonly view: View; readonly actions: RigActions }) {
  if (view.search === '' && !view.removed) return <NoRigs actions={actions} />;
  return (
    <Typography sx={{ py: 4, color: 'text.secondary' }}>
      {view.search === ''
        ? 'No rig was removed in the last 30 days.'
        : 'No rig here answers to that.'}
    </Typography>
  );
}

interface HeadingProps {
  readonly removed: boolean;
  readonly onRemoved: (value: string) => void;
  readonly children: ReactNode;
}

function Heading({ removed, onRemoved, children }: HeadingProps) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mb: 1, flexWrap: 'wrap' }}>
      <Typography variant="h1">{removed ? 'Removed rigs' : 'Rigs'}</Typography>
      <Typography sx={{ color: 'text.secondary', flex: '1 1 300px' }}>
        {removed ? (
          'Each can be put back for 30 days, with all that was kept of it.'
        ) : (
          <Terms
            text="How much treble each has left at the amp, against the same guitar straight in."
            reference={null}
            units="metric"
          />
        )}
      </Typography>
      {!removed && (
        <Button color="inherit" component={RouterLink} to="/trace">
          Trace without a rig
        </Button>
      )}
      <Button color="inherit" onClick={() => onRemoved(removed ? '' : 'yes')}>
        {removed ? 'Back to the rigs' : 'Removed rigs'}
      </Button>
      {!removed && children}
    </Box>
  );
}

interface FinderProps {
  readonly view: View;
  /** How many rigs answer. */
  readonly total: number;
}

function Finder({ view: { search, sort, removed, change }, total }: FinderProps) {
  // The address follows the hand; it is not what the hand writes in.
  const [text, setText] = useState(search);
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 3, my: 1.5, flexWrap: 'wrap' }}>
      <TextField
        label="Search name, player, note"
        size="small"
        type="search"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          change('search', event.target.value);
        }}
        sx={{ flex: '1 1 260px', maxWidth: 380 }}
      />
      {!removed && (
        <Box sx={{ minWidth: 190 }}>
          <ChoiceField
            label="Order"
            value={sort}
            options={RIG_SORTS.map((one) => [one, SORT_WORDS[one]] as const)}
            onChange={(value) => change('sort', value === 'changed' ? '' : value)}
          />
        </Box>
      )}
      <Typography variant="body2" role="status" sx={{ color: 'text.secondary' }}>
        {total === 1 ? '1 rig' : `${total.toLocaleString('en')} rigs`}
      </Typography>
    </Box>
  );
}

function NoRigs({ actions }: { readonly actions: RigActions }) {
  const [{ units }] = useSettings();
  const cable = units === 'metric' ? '6 m' : '20 ft';
  return (
    <Box sx={{ py: 6, maxWidth: 560 }}>
      <Typography gutterBottom>
        No rigs yet. A new one starts as a bright guitar, one cable of {cable} and an amp: set the
        cable to yours, then add pedals one by one and watch where the treble goes. Or say first
        what the player has and wants, and look for the least change that gets there.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button variant="outlined" onClick={() => void actions.add('path')}>
          Start the first rig
        </Button>
        <Button variant="outlined" onClick={() => void actions.add('brief')}>
          Begin with the brief
        </Button>
      </Box>
    </Box>
  );
}
