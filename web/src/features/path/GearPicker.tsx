import {
  DEVICE_CLASSES,
  deviceOfClass,
  END_KINDS,
  endOfKind,
  entered,
  gearItem,
  isForRigs,
  guitarOfClass,
  LEAD_CLASSES,
  leadOfClass,
  PICKUP_CLASSES,
  type DeviceClass,
  type EndKind,
  type RigItem,
  type RigKind,
  type LeadClass,
  type PickupClass,
} from '@gullwind/core';
import {
  Autocomplete,
  Box,
  Dialog,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
  styled,
} from '@mui/material';
import { useMemo } from 'react';
import { useListGearQuery } from '../../app/api';

export type PickerKind = RigKind;

interface Props {
  readonly kind: PickerKind;
  readonly onClose: () => void;
  readonly onPick: (item: RigItem) => void;
}

const TITLES: Readonly<Record<PickerKind, string>> = {
  device: 'Add a pedal behind the selection',
  guitar: 'Another guitar',
  lead: 'Another lead',
  end: 'Another end',
};

const GroupName = styled('div')(({ theme }) => ({
  padding: '8px 16px 2px',
  fontSize: 13.5,
  fontWeight: 600,
  color: theme.chart.faint,
}));

interface Choice {
  readonly group: 'From the gear list' | 'Typical, by class';
  readonly detail: string;
  readonly item: RigItem;
}

/** Picks a thing by typing a part of its name, from the gear list or by class with typical values. */
export function GearPicker({ kind, onClose, onPick }: Props) {
  const { data, isLoading } = useListGearQuery();
  const choices = useMemo(() => {
    const listed = (data?.items ?? [])
      .map(({ item }) => item)
      .filter(isForRigs)
      .filter((item) => item.kind === kind && !item.retired);
    return [...listed.map(listedChoice), ...TYPICAL[kind]];
  }, [data, kind]);
  return (
    <Dialog
      open
      onClose={onClose}
      maxWidth="sm"
      fullWidth
      aria-labelledby="picker-title"
      slotProps={{ paper: { sx: { alignSelf: 'flex-start' } } }}
    >
      <DialogTitle id="picker-title">{TITLES[kind]}</DialogTitle>
      <DialogContent sx={{ height: 470 }}>
        {!isLoading && (
          <Autocomplete
            open
            autoHighlight
            options={choices}
            groupBy={(choice) => choice.group}
            getOptionLabel={(choice) => choice.item.thing.name}
            getOptionKey={(choice) => choice.item.id}
            onChange={(_event, choice) => choice && onPick(choice.item)}
            onKeyDown={(event) => event.key === 'Escape' && onClose()}
            slotProps={{
              popper: { disablePortal: true },
              listbox: { sx: { maxHeight: 360 } },
              popupIndicator: { sx: { display: 'none' } },
            }}
            renderGroup={({ key, group, children }) => (
              <div key={key} role="group" aria-label={group}>
                <GroupName aria-hidden>{group}</GroupName>
                {children}
              </div>
            )}
            renderOption={({ key, ...props }, { item, detail }) => (
              <Box
                component="li"
                key={key}
                {...props}
                sx={{ display: 'block !important', py: '4px !important' }}
              >
                <Typography variant="body1">{item.thing.name}</Typography>
                <Typography variant="caption" sx={{ color: 'text.secondary' }}>
                  {detail}
                </Typography>
              </Box>
            )}
            renderInput={(params) => (
              <TextField {...params} autoFocus label="Name or kind" size="small" sx={{ mt: 1 }} />
            )}
            filterOptions={(all, { inputValue }) =>
              all.filter((choice) => matches(choice, inputValue))
            }
          />
        )}
      </DialogContent>
    </Dialog>
  );
}

/** Every typed word begins a word of the name or the detail. */
const matches = ({ item, detail }: Choice, typed: string): boolean => {
  const words = ` ${item.thing.name} ${detail}`.toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/u)
    .every((word) => words.includes(` ${word}`));
};

/** What is taken from the list says so, whatever becomes of it in the rig. */
const listedChoice = (item: RigItem): Choice => ({
  group: 'From the gear list',
  detail: [className(item), item.note].filter(Boolean).join(' · '),
  item: { ...item, thing: { ...item.thing, gear: item.id } } as RigItem,
});

function className(item: RigItem): string {
  switch (item.kind) {
    case 'device':
      return DEVICE_CLASSES[item.thing.deviceClass].label;
    case 'guitar':
      return PICKUP_CLASSES[item.thing.pickupClass].label;
    case 'lead':
      return LEAD_CLASSES[item.thing.leadClass].label;
    case 'end':
      return END_KINDS[item.thing.kind].label;
  }
}

const typical = (item: RigItem, detail: string): Choice => ({
  group: 'Typical, by class',
  detail,
  item,
});
const keysOf = <K extends string>(table: Readonly<Record<K, unknown>>) => Object.keys(table) as K[];

const TYPICAL: Readonly<Record<PickerKind, readonly Choice[]>> = {
  device: keysOf<DeviceClass>(DEVICE_CLASSES).map((name) =>
    typical(
      gearItem(`class-${name}`, 'device', deviceOfClass(name, 'd1')),
      `typical ${DEVICE_CLASSES[name].label}, every value assumed`,
    ),
  ),
  guitar: keysOf<PickupClass>(PICKUP_CLASSES).map((name) =>
    typical(
      gearItem(`class-${name}`, 'guitar', guitarOfClass(name, PICKUP_CLASSES[name].label)),
      'typical values, every one assumed',
    ),
  ),
  lead: keysOf<LeadClass>(LEAD_CLASSES).map((name) =>
    typical(
      gearItem(`class-${name}`, 'lead', leadOfClass(name, 'l1', entered(6))),
      `${LEAD_CLASSES[name].cPerMPF} pF/m`,
    ),
  ),
  end: keysOf<EndKind>(END_KINDS).map((kind) =>
    typical(
      gearItem(`class-${kind}`, 'end', endOfKind(kind, END_KINDS[kind].label)),
      'typical values, every one assumed',
    ),
  ),
};
