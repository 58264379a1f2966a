import { newId } from '../../app/newId';
import { GEAR_KINDS, gearItem, gearOf, type GearItem } from '@gullwind/core';
import { Autocomplete, Dialog, DialogContent, DialogTitle, TextField } from '@mui/material';

interface Blank {
  readonly label: string;
  readonly group: string;
  readonly make: (id: string) => GearItem;
}

/** A new entry of every class, each with typical values that are all assumed. */
const BLANKS: readonly Blank[] = GEAR_KINDS.flatMap((kind) => {
  const { many, classes, blank } = gearOf(kind);
  return Object.entries(classes.labels).map(([of, label]) => ({
    label: kind === 'guitar' ? `guitar, ${label}` : label,
    group: many,
    make: (id: string) =>
      gearItem(id, kind, kind === 'guitar' ? blank(of, `guitar, ${label}`) : blank(of)),
  }));
});

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
