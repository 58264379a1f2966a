import { newId } from '../../app/newId';
import {
  DEVICE_CLASSES,
  deviceOfClass,
  DESTINATION_KINDS,
  destinationOfKind,
  entered,
  gearItem,
  guitarOfClass,
  CABLE_CLASSES,
  cableOfClass,
  PICKUP_CLASSES,
  PLUG_SHAPES,
  plugOfShape,
  typicalBoard,
  typicalSupply,
  type GearItem,
} from '@gullwind/core';
import { Autocomplete, Dialog, DialogContent, DialogTitle, TextField } from '@mui/material';
import { KIND_WORDS } from './gearWords';

interface Blank {
  readonly label: string;
  readonly group: string;
  readonly make: (id: string) => GearItem;
}

const keysOf = <K extends string>(table: Readonly<Record<K, unknown>>) => Object.keys(table) as K[];

/** A new entry of every class, each with typical values that are all assumed. */
const BLANKS: readonly Blank[] = [
  ...keysOf(PICKUP_CLASSES).map((name) => {
    const { label } = PICKUP_CLASSES[name];
    return blank('guitar', `guitar, ${label}`, (id) =>
      gearItem(id, 'guitar', guitarOfClass(name, `guitar, ${label}`)),
    );
  }),
  ...keysOf(DEVICE_CLASSES).map((name) =>
    blank('device', DEVICE_CLASSES[name].label, (id) =>
      gearItem(id, 'device', deviceOfClass(name, 'd1')),
    ),
  ),
  ...keysOf(CABLE_CLASSES).map((name) =>
    blank('cable', `${CABLE_CLASSES[name].label} cable`, (id) =>
      gearItem(id, 'cable', cableOfClass(name, 'l1', entered(6))),
    ),
  ),
  ...keysOf(DESTINATION_KINDS).map((kind) =>
    blank('destination', DESTINATION_KINDS[kind].label, (id) =>
      gearItem(id, 'destination', destinationOfKind(kind, DESTINATION_KINDS[kind].label)),
    ),
  ),
  ...keysOf(PLUG_SHAPES).map((shape) =>
    blank('plug', PLUG_SHAPES[shape].label, (id) =>
      gearItem(id, 'plug', plugOfShape(shape, PLUG_SHAPES[shape].label)),
    ),
  ),
  blank('supply', 'supply', (id) => gearItem(id, 'supply', typicalSupply('supply'))),
  blank('board', 'board', (id) => gearItem(id, 'board', typicalBoard('board'))),
];

function blank(kind: GearItem['kind'], label: string, make: (id: string) => GearItem): Blank {
  return { label, group: KIND_WORDS[kind].many, make };
}

interface Props {
  readonly onClose: () => void;
  readonly onAdd: (item: GearItem) => void;
}

/** Adds an entry by its class; its name and what is known of it follow in its sheet. */
export function AddGear({ onClose, onAdd }: Props) {
  return (
    <Dialog
      open
      onClose={onClose}
      maxWidth="xs"
      fullWidth
      aria-labelledby="add-gear-title"
      slotProps={{ paper: { sx: { alignSelf: 'flex-start' } } }}
    >
      <DialogTitle id="add-gear-title">What is it?</DialogTitle>
      <DialogContent sx={{ height: 440 }}>
        <Autocomplete
          open
          autoHighlight
          options={BLANKS}
          groupBy={({ group }) => group}
          getOptionLabel={({ label }) => label}
          getOptionKey={({ group, label }) => `${group} ${label}`}
          onChange={(_event, chosen) => chosen && onAdd(chosen.make(newGearId()))}
          onKeyDown={(event) => event.key === 'Escape' && onClose()}
          slotProps={{
            popper: { disablePortal: true },
            listbox: { sx: { maxHeight: 330 } },
            popupIndicator: { sx: { display: 'none' } },
          }}
          renderInput={(params) => (
            <TextField {...params} autoFocus label="Class" size="small" sx={{ mt: 1 }} />
          )}
        />
      </DialogContent>
    </Dialog>
  );
}

export const newGearId = (): string => `g-${newId()}`;
