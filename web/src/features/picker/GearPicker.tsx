import type { RigItem } from '@gullwind/core';
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
import { bestFirst, type PickerKind } from './model/gearChoices';
import { useGearChoices } from './useGearChoices';

interface Props {
  readonly kind: PickerKind;
  readonly title: string;
  /** The destination that a DI picked here would stand instead of; null where none is offered. */
  readonly ends?: string | null;
  readonly onClose: () => void;
  readonly onPick: (item: RigItem) => void;
}

const GroupName = styled('div')(({ theme }) => ({
  padding: '8px 16px 2px',
  fontSize: 13.5,
  fontWeight: 600,
  color: theme.chart.faint,
}));

/** Picks a thing by typing a part of its name, from the gear list or by class with typical values. */
export function GearPicker({ kind, title, ends = null, onClose, onPick }: Props) {
  const { choices, isLoading } = useGearChoices(kind, ends);
  return (
    <Dialog
      open
      onClose={onClose}
      maxWidth="sm"
      fullWidth
      aria-labelledby="picker-title"
      slotProps={{ paper: { sx: { alignSelf: 'flex-start' } } }}
    >
      <DialogTitle id="picker-title">{title}</DialogTitle>
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
            filterOptions={(all, { inputValue }) => bestFirst(all, inputValue)}
          />
        )}
      </DialogContent>
    </Dialog>
  );
}
