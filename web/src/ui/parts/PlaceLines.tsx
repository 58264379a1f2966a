import { readPlaces, writePlaces } from '@gullwind/contract';
import {
  gearOf,
  type Board,
  type Case,
  type GearKind,
  type Provenance,
  type Supply,
  type UnitSystem,
} from '@gullwind/core';
import { Box, InputBase, Typography } from '@mui/material';
import { useId, useState, type KeyboardEvent } from 'react';
import { FieldMessage } from '../FieldMessage';
import { ChoiceField } from './ChoiceField';

const FROM: readonly (readonly [Provenance, string])[] = [
  ['assumed', 'assumed'],
  ['entered', 'entered'],
  ['sheet', 'data sheet'],
  ['measured', 'measured'],
];

interface LineProps {
  readonly label: string;
  readonly hint: string;
  readonly kind: GearKind;
  readonly path: string;
  readonly places: readonly object[];
  readonly units: UnitSystem;
  readonly onChange: (places: readonly object[]) => void;
}

/** What is typed of places, and what is wrong with it. */
function useTypedPlaces({ label, kind, path, units, onChange }: LineProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const leave = () => {
    setTyped(null);
    setMessage(null);
  };
  const commit = () => {
    if (typed === null) return;
    const read = readPlaces(gearOf(kind).lists[path]!, label, typed, units);
    if (typeof read === 'string') return setMessage(read);
    leave();
    onChange(read);
  };
  const press = (event: KeyboardEvent) => {
    if (event.key === 'Enter') {
      event.preventDefault();
      commit();
    }
    if (event.key === 'Escape' && typed !== null) {
      leave();
      event.stopPropagation();
    }
  };
  return { typed, setTyped, message, commit, press };
}

/** Places on a thing as one line of words and numbers, edited where it is seen. */
function PlacesLine(props: LineProps) {
  const { label, hint, kind, path, places, units } = props;
  const id = useId();
  const { typed, setTyped, message, commit, press } = useTypedPlaces(props);
  return (
    <Box sx={{ my: 0.75 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, color: 'text.secondary' }}>
        <Typography component="label" htmlFor={id} variant="body2">
          {label}
        </Typography>
        <Typography id={`${id}-hint`} component="span" variant="caption" sx={HINT}>
          {hint}
        </Typography>
      </Box>
      <InputBase
        id={id}
        multiline
        fullWidth
        value={typed ?? writePlaces(kind, path, places as never, units)}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={press}
        error={message !== null}
        inputProps={{
          'aria-describedby': `${id}-hint`,
          'aria-invalid': message !== null,
          autoComplete: 'off',
          spellCheck: false,
        }}
        sx={TYPED}
      />
      <FieldMessage id={`${id}-message`} message={message} />
    </Box>
  );
}

const HINT = { fontStyle: 'italic' } as const;
const TYPED = { fontSize: 14, borderBottom: 1, borderColor: 'divider', py: 0.25 } as const;

interface CaseProps {
  readonly kind: 'device' | 'fixture' | 'supply';
  readonly body: Case;
  readonly units: UnitSystem;
  readonly onChange: (to: Partial<Case>) => void;
}

/** What somebody writes is no assumption any more. */
const told = (from: Provenance): Provenance => (from === 'assumed' ? 'entered' : from);

/** Jacks and foot-switches of a case. */
export function CaseLines({ kind, body, units, onChange }: CaseProps) {
  const placesFrom = told(body.placesFrom);
  const bare = units === 'metric' ? 'mm' : 'inches';
  return (
    <>
      <PlacesLine
        label="Jacks"
        hint={`kind, side, ${bare} along it; next`}
        kind={kind}
        path="body.jacks"
        places={body.jacks}
        units={units}
        onChange={(jacks) => onChange({ jacks: jacks as Case['jacks'], placesFrom })}
      />
      <PlacesLine
        label="Foot-switches"
        hint={`${bare} from left, from front; next`}
        kind={kind}
        path="body.switches"
        places={body.switches}
        units={units}
        onChange={(switches) => onChange({ switches: switches as Case['switches'], placesFrom })}
      />
      <ChoiceField
        label="Places are"
        value={body.placesFrom}
        options={FROM}
        onChange={(to) => onChange({ placesFrom: to })}
      />
    </>
  );
}

interface BoardProps {
  readonly board: Board;
  readonly units: UnitSystem;
  readonly onChange: (to: Partial<Board>) => void;
}

/** Slats of a board of rows, openings of a plate. */
export function BoardLines({ board, units, onChange }: BoardProps) {
  const placesFrom = told(board.placesFrom);
  const bare = units === 'metric' ? 'mm' : 'inches';
  return (
    <>
      {board.surface === 'rows' && (
        <PlacesLine
          label="Slats"
          hint={`${bare} of front and back edge; next`}
          kind="board"
          path="slats"
          places={board.slats}
          units={units}
          onChange={(slats) => onChange({ slats: slats as Board['slats'], placesFrom })}
        />
      )}
      {board.surface === 'plate' && (
        <PlacesLine
          label="Openings"
          hint={`round or slot, ${bare} from left, from front, wide, deep; next`}
          kind="board"
          path="openings"
          places={board.openings}
          units={units}
          onChange={(openings) => onChange({ openings: openings as Board['openings'], placesFrom })}
        />
      )}
      {board.surface !== 'mesh' && (
        <ChoiceField
          label="Places are"
          value={board.placesFrom}
          options={FROM}
          onChange={(to) => onChange({ placesFrom: to })}
        />
      )}
    </>
  );
}

interface OutletsProps {
  readonly supply: Supply;
  readonly units: UnitSystem;
  readonly onChange: (to: Pick<Supply, 'groups' | 'groupsFrom'>) => void;
}

/** The outlets of a supply, those that are alike together. */
export function OutletLines({ supply, units, onChange }: OutletsProps) {
  const { groups, groupsFrom } = supply;
  return (
    <>
      <PlacesLine
        label="Outlets"
        hint="isolated or shared, middle, how many, V, mA; next"
        kind="supply"
        path="groups"
        places={groups}
        units={units}
        onChange={(to) =>
          onChange({ groups: to as Supply['groups'], groupsFrom: told(groupsFrom) })
        }
      />
      <ChoiceField
        label="Outlets are"
        value={groupsFrom}
        options={FROM}
        onChange={(to) => onChange({ groups, groupsFrom: to })}
      />
    </>
  );
}
