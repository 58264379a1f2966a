import { RigStage } from '../editor';
import { PowerView } from './PowerView';

/** Stage 5: which outlet feeds what, and what falls silent when one goes. */
export function PowerPage() {
  return <RigStage stage="Power">{(open) => <PowerView key={open.id} open={open} />}</RigStage>;
}
