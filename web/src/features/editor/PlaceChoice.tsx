import { goToPlace, placeNow, type Rig } from '@gullwind/core';
import { Box } from '@mui/material';
import { memo } from 'react';
import { BarChoice, NamedOptions } from '../../ui/BarChoice';
import { useRigEdits } from './useRigEdits';

interface Props {
  readonly rig: Rig;
}

/** Where the rig is played: all cable lengths follow. Nothing where it has no places. */
export const PlaceChoice = memo(function PlaceChoice({ rig }: Props) {
  const edit = useRigEdits();
  const { places } = rig.electrical;
  if (places.length === 0) return null;
  const goTo = (id: string) =>
    edit(
      goToPlace(
        rig,
        places.find((one) => one.id === id)!,
      ),
    );
  return (
    <Box sx={{ '& > .MuiInputBase-root': { width: 104 } }}>
      <BarChoice label="Where it is played" value={placeNow(rig)?.id ?? ''} onChange={goTo}>
        <option value="" disabled>
          elsewhere
        </option>
        <NamedOptions things={places} />
      </BarChoice>
    </Box>
  );
}, hasSamePlaces);

/** A cable that is drawn longer concerns it only where it belongs to a place. */
function hasSamePlaces({ rig: one }: Props, { rig: other }: Props): boolean {
  return one.electrical.places === other.electrical.places && placeNow(one) === placeNow(other);
}
