import type { AskProps } from '../panelProps';
import { ArrangePanel } from './ArrangePanel';
import type { Asked } from '../model/asked';
import { FitPanel } from './FitPanel';
import { HerePanel } from './HerePanel';
import { MarkPanel, TracePanel } from '../photo/MarkPanel';
import { OpeningPanel } from './OpeningPanel';
import { SwapPanel } from './SwapPanel';

/** The question that is open, and its answer. */
export function AskPanel({ asked, ...props }: AskProps & { readonly asked: Asked }) {
  switch (asked.kind) {
    case 'arrange':
      return <ArrangePanel {...props} />;
    case 'here':
      return <HerePanel {...props} at={asked.at} />;
    case 'fit':
      return <FitPanel key={asked.id} {...props} id={asked.id} />;
    case 'swap':
      return <SwapPanel {...props} pair={asked.pair} />;
    case 'opening':
      return <OpeningPanel {...props} />;
    case 'mark':
      return <MarkPanel key={asked.what} {...props} what={asked.what} />;
    case 'trace':
      return <TracePanel {...props} />;
  }
}
