import { RigStage } from '../../editor';
import { RigBenchView } from './RigBenchView';

/** Stage 7: the rig as it is measured, against the rig as it is modelled. */
export function RigBenchPage() {
  return <RigStage stage="Bench">{(open) => <RigBenchView key={open.id} open={open} />}</RigStage>;
}
