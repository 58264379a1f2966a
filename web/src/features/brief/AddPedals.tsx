import {
  applyTrusted,
  insertDevice,
  mainRow,
  type Device,
  type Edit,
  type Rig,
} from '@gullwind/core';
import { Autocomplete, TextField } from '@mui/material';
import { useState } from 'react';
import { bestFirst, meantBy, useGearChoices, type GearChoice } from '../picker';
import type { BriefPartProps } from './briefPart';

/** Adds pedals at the end of the row: one from the list as it is typed, or several with commas between. */
export function AddPedals({ rig, edit }: BriefPartProps) {
  const { choices } = useGearChoices('device');
  const [text, setText] = useState('');
  const [message, setMessage] = useState<string | null>(null);
  const add = (things: readonly Device[]) => {
    if (things.length > 0) edit(appendPedals(rig, things));
  };
  const addTyped = (typed: string) => {
    const words = typed
      .split(/[,;]/u)
      .map((word) => word.trim())
      .filter(Boolean);
    const found = words.map((word) => ({ word, choice: meantBy(choices, word) }));
    const unknown = found.filter(({ choice }) => !choice).map(({ word }) => word);
    add(found.flatMap(({ choice }) => (choice?.item.kind === 'device' ? [choice.item.thing] : [])));
    setText(unknown.join(', '));
    setMessage(
      unknown.length === 0
        ? null
        : `${unknown.map((word) => `“${word}”`).join(', ')}: neither in the gear list nor a kind of pedal. Try a kind such as drive, delay or tuner.`,
    );
  };
  const pick = (picked: GearChoice | string | null) => {
    if (picked === null) return;
    if (typeof picked === 'string') return addTyped(picked);
    if (picked.item.kind === 'device') add([picked.item.thing]);
    setText('');
    setMessage(null);
  };
  const isList = /[,;]/u.test(text);
  return (
    <Autocomplete<GearChoice, false, true, true>
      freeSolo
      disableClearable
      autoHighlight={!isList}
      options={choices}
      groupBy={(choice) => choice.group}
      getOptionLabel={(choice) => (typeof choice === 'string' ? choice : choice.item.thing.name)}
      getOptionKey={(choice) => (typeof choice === 'string' ? choice : choice.item.id)}
      filterOptions={(all, { inputValue }) =>
        isList || inputValue.trim() === '' ? [] : bestFirst(all, inputValue)
      }
      value={NOTHING_PICKED}
      inputValue={text}
      onInputChange={(_event, typed, reason) => {
        if (reason === 'input') {
          setText(typed);
          setMessage(null);
        }
      }}
      onChange={(_event, picked) => pick(picked)}
      renderInput={(params) => (
        <TextField
          {...params}
          size="small"
          label="Add pedals: name or kind"
          placeholder="tuner, wah, drive, delay"
          error={message !== null}
          helperText={message}
          sx={{ mb: 1, maxWidth: 460 }}
        />
      )}
    />
  );
}

/** Always the same, so that a choice never stays in the field. */
const NOTHING_PICKED = '' as unknown as GearChoice;

/** Pedals at the end of the main row, each with what it needs, as one edit. */
function appendPedals(rig: Rig, things: readonly Device[]): Edit {
  let now = rig;
  const edits: Edit[] = [];
  for (const thing of things) {
    const change = insertDevice(now, mainRow(now).devices.length, thing);
    edits.push(change);
    now = applyTrusted(now, change) ?? now;
  }
  return { kind: 'group', edits };
}
