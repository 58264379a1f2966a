import { RigStage } from '../editor';
import { PathView } from './PathView';

/** Stage 2: the path of a rig. */
export function PathPage() {
  return <RigStage stage="Path">{(open) => <PathView open={open} />}</RigStage>;
}
