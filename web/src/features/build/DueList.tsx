import type { RigBuild } from '@gullwind/contract';
import { Box, Typography } from '@mui/material';
import { Link } from 'react-router';
import { useListBuildsQuery } from '../../app/api';

/** So many are shown; the others are not due yet. */
const MOST_SHOWN = 6;

const sayWork = ({ done, steps, leftMinutes }: RigBuild): string =>
  done === steps
    ? 'all of it is done'
    : `${done} of ${steps} steps, ${Math.floor(leftMinutes / 60)} h ${leftMinutes % 60} min left`;

/** What is due in the workshop, the soonest first; nothing where nothing is. */
export function DueList() {
  const { data } = useListBuildsQuery();
  const builds = data?.builds.filter(({ done, steps }) => done < steps) ?? [];
  if (builds.length === 0) return null;
  return (
    <Box component="section" aria-label="What is due" sx={{ mb: 2 }}>
      <Typography variant="h2">What is due</Typography>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {builds.slice(0, MOST_SHOWN).map((build) => (
          <Box component="li" key={build.id} sx={LINE}>
            <Box
              component={Link}
              to={`/rigs/${build.id}/build`}
              sx={{ color: 'inherit', fontWeight: 600 }}
            >
              {build.name}
            </Box>
            <span>{build.deadline ?? 'no date'}</span>
            <span>{sayWork(build)}</span>
            <Box component="span" sx={{ color: 'text.secondary' }}>
              {[
                build.next === null ? '' : `next: ${build.next}`,
                build.waitsFor > 0
                  ? `waits for ${build.waitsFor} ${build.waitsFor === 1 ? 'part' : 'parts'}`
                  : '',
              ]
                .filter(Boolean)
                .join(' · ')}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

const LINE = {
  display: 'grid',
  gridTemplateColumns: { xs: '1fr', md: '180px 92px 240px 1fr' },
  gap: 1.5,
  minHeight: 28,
  alignItems: 'baseline',
  fontSize: 14,
} as const;
