import { RigStage } from '../editor';
import { BuildView } from './BuildView';

/** Stage 6: cut, terminated, tested, laid and tied, one step after the other. */
export function BuildPage() {
  return <RigStage stage="Build">{(open) => <BuildView key={open.id} open={open} />}</RigStage>;
}
