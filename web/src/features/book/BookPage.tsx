import { RigStage } from '../editor';
import { BookView } from './BookView';

/** Stage 10: what was, what is handed over, and what goes on stage and away. */
export function BookPage() {
  return <RigStage stage="Book">{(open) => <BookView key={open.id} open={open} />}</RigStage>;
}
