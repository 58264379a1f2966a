import { NO_RECORDS } from '@gullwind/core';
import { Box } from '@mui/material';
import { useGetBuildQuery } from '../../app/api';
import { shownRig, RigStage, StageHeader, type OpenRig } from '../editor';
import { TraceView } from './TraceView';

/** Stage 9: one question at a time, until the fault is found. */
export function TracePage() {
  return <RigStage stage="Trace">{(open) => <OfRig key={open.id} open={open} />}</RigStage>;
}

function OfRig({ open }: { readonly open: OpenRig }) {
  const rig = shownRig({ rig: open.rig, preview: open.preview });
  const records = useGetBuildQuery(open.id).data ?? NO_RECORDS;
  return (
    <Box component="main" sx={{ minHeight: '100vh', display: 'flex', flexDirection: 'column' }}>
      <StageHeader stage="Trace" open={open} />
      <TraceView rig={rig} rigId={open.id} revision={open.basedOn} records={records} />
    </Box>
  );
}
