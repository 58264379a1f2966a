import { RigStage } from '../editor';
import { ListenView } from './ListenView';

/** Stage 8: the rig as sound. */
export function ListenPage() {
  return <RigStage stage="Listen">{(open) => <ListenView key={open.id} open={open} />}</RigStage>;
}
