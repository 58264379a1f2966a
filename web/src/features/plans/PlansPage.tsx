import { RigStage } from '../editor';
import { PlansView } from './PlansView';

/** Stage 3: the least change that brings a rig to what its player needs. */
export function PlansPage() {
  return <RigStage stage="Plans">{(open) => <PlansView key={open.id} open={open} />}</RigStage>;
}
