import {
  addSong,
  changeSong,
  cueSheetOf,
  LONGEST_NAME,
  LONGEST_NOTE,
  LONGEST_TUNING,
  moveSong,
  sayPresses,
  sayTravel,
  type Cue,
  type Song,
  type UnitSystem,
} from '@gullwind/core';
import Add from '@mui/icons-material/Add';
import DeleteOutline from '@mui/icons-material/DeleteOutlined';
import KeyboardArrowDown from '@mui/icons-material/KeyboardArrowDown';
import KeyboardArrowUp from '@mui/icons-material/KeyboardArrowUp';
import { Box, Button, IconButton, TextField, Typography } from '@mui/material';
import { useMemo, useState, type ReactNode } from 'react';
import { NameField } from '../../ui/NameField';
import type { BookProps } from './bookProps';
import { Leaf } from './Leaf';
import { PlainTable } from './PlainTable';

const COLUMNS = [
  'no.',
  'song',
  'guitar',
  'tuning',
  'scene',
  'press',
  'foot',
  'note',
  'order',
] as const;

/** Songs in order, and what hand and foot do between them. */
export function CuePart({ rig, units, onEdit }: BookProps) {
  const sheet = useMemo(() => cueSheetOf(rig), [rig]);
  const { cues, kill } = sheet;
  return (
    <Leaf
      title="Cue sheet"
      hint={
        kill === null
          ? 'Nothing on this rig mutes: a guitar is changed with the volume down.'
          : `A guitar is changed while ${kill} mutes.`
      }
    >
      {cues.length > 0 && (
        <Box sx={{ overflowX: 'auto' }}>
          <PlainTable>
            <thead>
              <tr>
                {COLUMNS.map((column, i) => (
                  <th key={i} scope="col">
                    {column}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {cues.map((cue, i) => (
                <CueRow
                  key={cue.song.id}
                  units={units}
                  cue={cue}
                  nth={i}
                  rig={rig}
                  onEdit={onEdit}
                  count={cues.length}
                />
              ))}
            </tbody>
          </PlainTable>
        </Box>
      )}
      {cues.length > 0 && (
        <Typography sx={{ mt: 1 }} data-testid="presses">
          {sayPresses(sheet, units)}
        </Typography>
      )}
      <NewSong rig={rig} onEdit={onEdit} />
    </Leaf>
  );
}

type Edits = Pick<BookProps, 'rig' | 'onEdit'>;

function NewSong({ rig, onEdit }: Edits) {
  const [title, setTitle] = useState('');
  const add = () => {
    onEdit(addSong(rig, title.trim()));
    setTitle('');
  };
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        if (title.trim() !== '') add();
      }}
      sx={{ display: 'flex', gap: 1, mt: 1.5, alignItems: 'center' }}
    >
      <TextField
        size="small"
        label="The next song"
        value={title}
        onChange={(event) => setTitle(event.target.value)}
        slotProps={{ htmlInput: { maxLength: LONGEST_NAME } }}
        sx={{ width: 320 }}
      />
      <Button type="submit" variant="outlined" startIcon={<Add />} disabled={title.trim() === ''}>
        Add it
      </Button>
    </Box>
  );
}

interface RowProps extends Edits {
  readonly units: UnitSystem;
  readonly cue: Cue;
  readonly nth: number;
  readonly count: number;
}

function CueRow(props: RowProps) {
  const { cue, nth, units } = props;
  return (
    <tr data-song={cue.song.id}>
      <td>{nth + 1}</td>
      <WhatIsPlayed {...props} />
      <td>{cue.presses.join(' · ')}</td>
      <td style={{ whiteSpace: 'nowrap' }}>
        {cue.presses.length < 2 ? '' : sayTravel(cue.travelM, units)}
      </td>
      <NoteCell {...props} />
      <td style={{ whiteSpace: 'nowrap' }}>
        <RowTools {...props} />
      </td>
    </tr>
  );
}

/** Title, guitar, tuning, scene. */
function WhatIsPlayed({ cue, nth, rig, onEdit }: RowProps) {
  const { song } = cue;
  const put = (change: Partial<Song>) => onEdit(changeSong(rig, song.id, change));
  const { guitars, scenes } = rig.electrical;
  return (
    <>
      <td style={TITLE}>
        <NameField
          label={`Title of song ${nth + 1}`}
          value={song.title}
          onChange={(title) => put({ title })}
          sx={FIELD}
        />
      </td>
      <td>
        <Choice
          label={`Guitar for ${song.title}`}
          none={nth === 0 ? guitars[0]!.name : 'the same'}
          value={song.guitar}
          options={guitars}
          onChange={(guitar) => put({ guitar })}
        />
        {cue.isChange && <Typography variant="caption">change</Typography>}
      </td>
      <td style={NARROW}>
        <Tuning song={song} onChange={(tuning) => put({ tuning })} />
      </td>
      <td>
        <Choice
          label={`Scene for ${song.title}`}
          none={nth === 0 ? 'not named' : 'the same'}
          value={song.scene}
          options={scenes}
          onChange={(scene) => put({ scene })}
        />
      </td>
    </>
  );
}

const TITLE = { minWidth: 150 } as const;
const NARROW = { minWidth: 90 } as const;

const Tuning = ({ song, onChange }: { song: Song; onChange: (to: string) => void }) => (
  <Words
    label={`Tuning for ${song.title}`}
    value={song.tuning}
    most={LONGEST_TUNING}
    onChange={onChange}
  />
);

const NoteCell = ({ cue: { song, missing }, rig, onEdit }: RowProps) => (
  <td style={NARROW}>
    <Words
      label={`Note on ${song.title}`}
      value={song.note}
      most={LONGEST_NOTE}
      onChange={(note) => onEdit(changeSong(rig, song.id, { note }))}
    />
    {missing.map((what) => (
      <Typography key={what} variant="caption" component="div" sx={{ fontWeight: 600 }}>
        {`${what} is gone from the rig`}
      </Typography>
    ))}
  </td>
);

function RowTools({ cue: { song }, nth, count, rig, onEdit }: RowProps) {
  return (
    <>
      <Move
        label={`${song.title} earlier`}
        isOff={nth === 0}
        onClick={() => onEdit(moveSong(rig, song.id, -1)!)}
        icon={<KeyboardArrowUp fontSize="small" />}
      />
      <Move
        label={`${song.title} later`}
        isOff={nth === count - 1}
        onClick={() => onEdit(moveSong(rig, song.id, 1)!)}
        icon={<KeyboardArrowDown fontSize="small" />}
      />
      <Move
        label={`Delete ${song.title}`}
        isOff={false}
        onClick={() => onEdit(changeSong(rig, song.id, null))}
        icon={<DeleteOutline fontSize="small" />}
      />
    </>
  );
}

const FIELD = { fontSize: 15, width: '100%' } as const;

interface WordsProps {
  readonly label: string;
  readonly value: string;
  readonly most: number;
  readonly onChange: (to: string) => void;
}

const Words = ({ label, value, most, onChange }: WordsProps) => (
  <NameField
    most={most}
    label={label}
    value={value}
    required={false}
    placeholder="–"
    onChange={onChange}
    sx={FIELD}
  />
);

interface MoveProps {
  readonly label: string;
  readonly isOff: boolean;
  readonly icon: ReactNode;
  readonly onClick: () => void;
}

const Move = ({ label, isOff, icon, onClick }: MoveProps) => (
  <IconButton size="small" aria-label={label} disabled={isOff} onClick={onClick}>
    {icon}
  </IconButton>
);

interface ChoiceProps {
  readonly label: string;
  readonly none: string;
  readonly value: string | null;
  readonly options: readonly { readonly id: string; readonly name: string }[];
  readonly onChange: (to: string | null) => void;
}

/** One of the rig's own, or none said. One that is gone from the rig stays chosen until another is. */
const Choice = ({ label, none, value, options, onChange }: ChoiceProps) => (
  <TextField
    select
    size="small"
    variant="standard"
    value={value ?? ''}
    onChange={({ target }) => onChange(target.value === '' ? null : target.value)}
    slotProps={{ select: { native: true }, htmlInput: { 'aria-label': label } }}
    sx={{ minWidth: 110, '& select': { fontSize: 15, py: 0.25 } }}
  >
    <option value="">{none}</option>
    {value !== null && !options.some(({ id }) => id === value) && (
      <option value={value}>gone</option>
    )}
    {options.map(({ id, name }) => (
      <option key={id} value={id}>
        {name}
      </option>
    ))}
  </TextField>
);
