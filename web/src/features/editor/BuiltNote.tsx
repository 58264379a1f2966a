import {
  isBegun,
  sayRework,
  type BuildRecords,
  type GearItem,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Link } from '@mui/material';
import { useMemo } from 'react';
import { Link as RouterLink } from 'react-router';
import { useGetBuildQuery } from '../../app/api';
import { useGearItems } from '../../app/useGearItems';
import { useSettings } from '../../app/useSettings';
import { AT_REST_MS, useLatest } from '../../workers/useLatest';
import { questionsWorker } from '../../workers/workers';

interface Question {
  readonly rig: Rig;
  readonly records: BuildRecords;
  readonly gear: readonly GearItem[];
  readonly units: UnitSystem;
}

const ask = async ({ rig, ...building }: Question) => questionsWorker().reworkSince(rig, building);

/** Of a board that is built already: what has become of it by what was changed here. */
export function BuiltNote({ id, rig }: { readonly id: string; readonly rig: Rig }) {
  const { data: records } = useGetBuildQuery(id);
  const gear = useGearItems();
  const [{ units }] = useSettings();
  const question = useMemo(
    () => (records && gear && isBegun(records) ? { rig, records, gear, units } : null),
    [rig, records, gear, units],
  );
  const rework = useLatest(question, ask, 2 * AT_REST_MS);
  if (!question || !rework || rework.minutes === 0) return null;
  return (
    <Box role="status" data-testid="built" sx={NOTE}>
      <b>The board is built already.</b>{' '}
      {`By what has changed since: ${sayRework(rework, units).join(' ')} `}
      <Link component={RouterLink} to={`/rigs/${id}/build`}>
        To the work
      </Link>
    </Box>
  );
}

const NOTE = { px: 2, py: 0.5, fontSize: 14, borderBottom: 1, borderColor: 'divider' } as const;
