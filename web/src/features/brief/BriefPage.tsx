import { RigStage } from '../editor';
import { BriefView } from './BriefView';

/** Stage 1: what the player needs, before anything is planned. */
export function BriefPage() {
  return <RigStage stage="Brief">{(open) => <BriefView key={open.id} open={open} />}</RigStage>;
}
