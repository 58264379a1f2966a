import { Run, type RunProps } from './Run';

const nothing = () => undefined;

/** A Run that is only looked at. */
export const StillRun = (
  props: Pick<RunProps, 'rig' | 'rowId' | 'analysed' | 'suspicion' | 'name' | 'units'>,
) => (
  <Run
    {...props}
    selection={null}
    onSelect={nothing}
    onToggle={null}
    onCableDrag={nothing}
    onPostDrag={nothing}
    onDragGivenUp={nothing}
  />
);
