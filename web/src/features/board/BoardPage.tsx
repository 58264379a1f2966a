import { RigStage } from '../editor';
import { BoardView } from './BoardView';

/** Stage 4: the rig to scale on its boards. */
export function BoardPage() {
  return <RigStage stage="Board">{(open) => <BoardView key={open.id} open={open} />}</RigStage>;
}
