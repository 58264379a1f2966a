import type { ReactNode } from 'react';
import type { Selection } from '../model/selection';
import type { RunPart } from './runGeometry';

interface Props extends Pick<RunPart, 'optionId' | 'isSelected'> {
  readonly stop: Selection;
  /** What a screen reader says of it. */
  readonly label: string;
  readonly children: ReactNode;
}

/** One stop of the way as an option of the list that the Run is. */
export function RunOption({ stop, label, optionId, isSelected, children }: Props) {
  return (
    <g role="option" id={optionId(stop)} aria-selected={isSelected(stop)} aria-label={label}>
      {children}
    </g>
  );
}
