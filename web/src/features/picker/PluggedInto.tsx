import { plugInAtPlace, type Edit, type Place, type Rig, type RigItem } from '@gullwind/core';
import DeleteOutline from '@mui/icons-material/DeleteOutlined';
import { Button, IconButton } from '@mui/material';
import { useState } from 'react';
import { GearPicker } from './GearPicker';

interface PluggedProps {
  readonly rig: Rig;
  readonly edit: (edit: Edit) => void;
  readonly place: Place;
}

/** What stands at a place: the rig's own amp, or another one that waits there. */
export function PluggedInto({ rig, place, edit }: PluggedProps) {
  const [isAsking, setAsking] = useState(false);
  const { destination, id, name } = place;
  const pick = (item: RigItem) => {
    setAsking(false);
    if (item.kind !== 'destination') return;
    const there = { ...item.thing, id: rig.electrical.destinations[0]!.id };
    edit(plugInAtPlace(rig, id, { destination: there }));
  };
  return (
    <>
      <Button
        size="small"
        aria-label={`Plugged into at ${name}`}
        title="Another amp or input that waits there"
        onClick={() => setAsking(true)}
      >
        {destination?.name ?? 'the same'}
      </Button>
      {destination && (
        <IconButton
          size="small"
          aria-label={`The same at ${name} as everywhere`}
          onClick={() => edit(plugInAtPlace(rig, id, { destination: null }))}
        >
          <DeleteOutline sx={{ fontSize: 16 }} />
        </IconButton>
      )}
      {isAsking && (
        <GearPicker
          kind="destination"
          title="What it is plugged into there"
          onClose={() => setAsking(false)}
          onPick={pick}
        />
      )}
    </>
  );
}
