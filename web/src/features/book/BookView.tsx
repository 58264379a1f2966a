import { NO_RECORDS, type GearItem, type Hunt } from '@gullwind/core';
import { Box, GlobalStyles, styled } from '@mui/material';
import { useSearchParams } from 'react-router';
import { useGetBuildQuery } from '../../app/api';
import { useListHuntsQuery } from '../../app/huntsApi';
import { SOUNDING_FONT } from '../../app/theme';
import { useGearItems } from '../../app/useGearItems';
import { useSettings } from '../../app/useSettings';
import { shownRig, StageHeader, useRigEdits, type OpenRig } from '../editor';
import { AwayPart } from './AwayPart';
import type { BookProps } from './bookProps';
import { CuePart } from './CuePart';
import { FaultsPart } from './FaultsPart';
import { HandoverPart } from './HandoverPart';
import { RevisionsPart } from './RevisionsPart';
import { WalkPart } from './WalkPart';

const PARTS = [
  ['revisions', 'Revisions', RevisionsPart],
  ['handover', 'Handover book', HandoverPart],
  ['cues', 'Cue sheet', CuePart],
  ['away', 'Away', AwayPart],
  ['walk', 'Walk-through', WalkPart],
  ['faults', 'Faults', FaultsPart],
] as const;

const NO_GEAR: readonly GearItem[] = [];
const NO_HUNTS: readonly Hunt[] = [];

/** On paper only the book itself. */
const PRINT = {
  '@media print': {
    'nav, header, [data-no-print]': { display: 'none !important' },
    body: { background: 'white !important' },
  },
} as const;

/** The book of a rig: a table of contents, and the part that is looked at. */
export function BookView({ open }: { readonly open: OpenRig }) {
  const rig = shownRig({ rig: open.rig, preview: open.preview });
  const [{ units }] = useSettings();
  const gear = useGearItems() ?? NO_GEAR;
  const onEdit = useRigEdits();
  const records = useGetBuildQuery(open.id).data ?? NO_RECORDS;
  const hunts = useListHuntsQuery(open.id).data?.hunts ?? NO_HUNTS;
  const [asked, setAsked] = useSearchParams();
  const [part, , Part] = PARTS.find(([one]) => one === asked.get('part')) ?? PARTS[0];
  const shared: BookProps = { open, rig, gear, records, hunts, units, onEdit };
  return (
    <Box component="main" sx={{ minHeight: '100vh', display: 'flex', flexDirection: 'column' }}>
      <GlobalStyles styles={PRINT} />
      <StageHeader stage="Book" open={open} />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '168px minmax(0, 1fr)' },
          flex: 1,
        }}
      >
        <Box
          component="div"
          role="tablist"
          aria-label="Contents"
          aria-orientation="vertical"
          data-no-print=""
          sx={CONTENTS}
        >
          {PARTS.map(([one, words]) => (
            <Entry
              key={one}
              type="button"
              role="tab"
              aria-selected={one === part}
              onClick={() => setAsked(one === PARTS[0][0] ? {} : { part: one }, { replace: true })}
            >
              {words}
            </Entry>
          ))}
        </Box>
        <Box sx={{ px: { xs: 2, md: 4 }, py: 2, minWidth: 0 }}>
          <Part {...shared} />
        </Box>
      </Box>
    </Box>
  );
}

const CONTENTS = {
  display: 'flex',
  flexDirection: { xs: 'row', md: 'column' },
  alignItems: 'stretch',
  overflowX: 'auto',
  borderRight: { md: 1 },
  borderBottom: { xs: 1, md: 0 },
  borderColor: { xs: 'divider', md: 'divider' },
  py: { md: 1.5 },
} as const;

const Entry = styled('button')(({ theme }) => ({
  border: 0,
  background: 'none',
  color: theme.chart.faint,
  font: 'inherit',
  fontFamily: SOUNDING_FONT,
  fontStyle: 'italic',
  fontSize: 17,
  textAlign: 'left',
  padding: '6px 16px',
  minHeight: 36,
  whiteSpace: 'nowrap',
  cursor: 'pointer',
  '&[aria-selected="true"]': {
    color: theme.chart.ink,
    textDecoration: 'underline',
    textUnderlineOffset: 5,
  },
  '&:hover': { color: theme.chart.ink },
}));
