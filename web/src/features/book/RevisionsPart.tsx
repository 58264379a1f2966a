import { LONGEST_REVISION_NAME, type RevisionListing } from '@gullwind/contract';
import { Alert, Box, Button, TextField, Typography } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { messageOf, useListRevisionsInfiniteQuery, useNameRevisionMutation } from '../../app/api';
import { SOUNDING_FONT } from '../../app/theme';
import { useGoBack } from '../editor';
import type { BookProps } from './bookProps';
import { ChangeLeaf } from './ChangeLeaf';
import { Leaf } from './Leaf';
import { sayRevision, sideOf, usualFrom, type Side } from './model/sides';

/** Revisions as dated corrections: what was named, what is another between any two, and the way back. */
export function RevisionsPart(props: BookProps) {
  const { open } = props;
  const { data, error } = useListRevisionsInfiniteQuery(open.id, {
    refetchOnMountOrArgChange: true,
  });
  const kept = data?.pages.flatMap(({ revisions }) => revisions) ?? [];
  const named = kept.filter(({ name }) => name !== null);
  const [from, setFrom] = useState<Side | null>(null);
  return (
    <Leaf
      title="Revisions"
      hint="A revision with a name stays for good. Behind them are the automatic saves, thinned as they are kept."
    >
      <NameNow revision={open.basedOn} id={open.id} kept={kept} />
      {error && <Alert severity="warning">{messageOf(error)}</Alert>}
      {named.length > 0 && (
        <Box component="ol" sx={{ listStyle: 'none', p: 0, my: 1, maxWidth: 760 }}>
          {named.map((one) => (
            <NamedRevision
              key={one.revision}
              kept={one}
              isNow={one.revision === open.basedOn}
              onCompare={() => setFrom(one.revision)}
            />
          ))}
        </Box>
      )}
      {kept.length > 1 && <Compared {...props} kept={kept} chosen={from} onChoose={setFrom} />}
      {kept.length === 1 && (
        <Typography sx={{ mt: 1 }}>
          There is one revision: name it, and later changes are told against it.
        </Typography>
      )}
    </Leaf>
  );
}

interface ComparedProps extends BookProps {
  readonly kept: readonly RevisionListing[];
  /** Null until somebody chooses. */
  readonly chosen: Side | null;
  readonly onChoose: (from: Side) => void;
}

/** Any two, at first the last one with a name and the rig as it is now. */
function Compared({ kept, chosen, onChoose, ...props }: ComparedProps) {
  const [to, setTo] = useState<Side>('now');
  const from = chosen ?? usualFrom(kept, props.open.basedOn);
  return (
    <>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', mt: 2, mb: 1 }}>
        <SideChoice label="From" value={from} kept={kept} onChange={onChoose} />
        <SideChoice label="To" value={to} kept={kept} onChange={setTo} />
      </Box>
      <ChangeLeaf {...props} from={from} to={to} />
    </>
  );
}

interface NameProps {
  readonly id: string;
  readonly revision: number;
  readonly kept: readonly RevisionListing[];
}

/** A name for the rig as it is now. */
function NameNow({ id, revision, kept }: NameProps) {
  const [rename, { isLoading }] = useNameRevisionMutation();
  const { enqueueSnackbar } = useSnackbar();
  const [text, setText] = useState('');
  const has = kept.find((one) => one.revision === revision)?.name ?? null;
  const put = async () => {
    const answer = await rename({ id, revision, name: text.trim() });
    if ('error' in answer) return enqueueSnackbar(messageOf(answer.error), { variant: 'warning' });
    return setText('');
  };
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        void put();
      }}
      sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}
    >
      <TextField
        size="small"
        label={has === null ? 'Name the rig as it is now' : `As it is now: ${has}. Another name`}
        value={text}
        onChange={(event) => setText(event.target.value)}
        slotProps={{ htmlInput: { maxLength: LONGEST_REVISION_NAME } }}
        sx={{ width: 340 }}
      />
      <Button
        type="submit"
        variant="outlined"
        disabled={text.trim() === '' || isLoading || revision < 1}
      >
        Name it
      </Button>
    </Box>
  );
}

interface NamedProps {
  readonly kept: RevisionListing;
  readonly isNow: boolean;
  readonly onCompare: () => void;
}

function NamedRevision({ kept, isNow, onCompare }: NamedProps) {
  const goBack = useGoBack();
  const { revision, name, savedAt } = kept;
  return (
    <Box
      component="li"
      data-named={revision}
      sx={{
        display: 'flex',
        alignItems: 'baseline',
        gap: 2,
        borderTop: 1,
        borderColor: 'divider',
        py: 0.5,
        flexWrap: 'wrap',
      }}
    >
      <Typography sx={{ fontFamily: SOUNDING_FONT, fontStyle: 'italic', width: 190 }}>
        {new Date(savedAt).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' })}
      </Typography>
      <Typography sx={{ fontWeight: 600, flex: 1, minWidth: 120, overflowWrap: 'anywhere' }}>
        {name}
      </Typography>
      {isNow ? (
        <Typography variant="body2">as it is now</Typography>
      ) : (
        <>
          <Button size="small" onClick={onCompare} aria-label={`What has changed since ${name}`}>
            What has changed since
          </Button>
          <Button size="small" onClick={() => void goBack(revision)} aria-label={`Back to ${name}`}>
            Back to it
          </Button>
        </>
      )}
    </Box>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly value: Side;
  readonly kept: readonly RevisionListing[];
  readonly onChange: (to: Side) => void;
}

const SideChoice = ({ label, value, kept, onChange }: ChoiceProps) => (
  <TextField
    select
    size="small"
    label={label}
    value={String(value)}
    onChange={({ target }) => onChange(sideOf(target.value))}
    slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}
    sx={{ width: 320 }}
  >
    <option value="now">as it is now</option>
    {kept.map((one) => (
      <option key={one.revision} value={one.revision}>
        {sayRevision(one)}
      </option>
    ))}
  </TextField>
);
