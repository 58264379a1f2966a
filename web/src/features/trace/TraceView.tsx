import { useSearchParams } from 'react-router';
import { HuntBegin } from './HuntBegin';
import { HuntView } from './HuntView';
import type { TraceProps } from './traceProps';

/** Which hunt is looked at is in the address: it goes on wherever that is opened. */
export function TraceView(props: TraceProps) {
  const [asked, setAsked] = useSearchParams();
  const hunt = asked.get('hunt');
  const open = (id: string | null) => setAsked(id === null ? {} : { hunt: id });
  return hunt === null ? (
    <HuntBegin {...props} onOpen={open} />
  ) : (
    <HuntView key={hunt} {...props} id={hunt} onClose={() => open(null)} />
  );
}
