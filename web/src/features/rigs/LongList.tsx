import type { RigListing } from '@gullwind/contract';
import type { ComponentType, ReactNode } from 'react';
import { Virtuoso } from 'react-virtuoso';

interface Props {
  readonly rigs: readonly RigListing[];
  readonly row: (rig: RigListing) => ReactNode;
  readonly list: ComponentType;
  /** The last of them is in sight. */
  readonly onEnd: () => void;
}

/** Many rigs, only those in sight drawn. */
export const LongList = ({ rigs, row, list, onEnd }: Props) => (
  <Virtuoso
    useWindowScroll
    data={rigs as RigListing[]}
    endReached={onEnd}
    computeItemKey={(_, { id }) => id}
    // Where nothing is laid out yet, some are drawn all the same.
    initialItemCount={Math.min(rigs.length, 10)}
    components={{ List: list as never, Item: 'li' as never }}
    itemContent={(_, rig) => row(rig)}
  />
);
