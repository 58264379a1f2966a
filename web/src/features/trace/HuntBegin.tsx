import { ENDING_WORDS, SYMPTOM_WORDS, SYMPTOMS, type Hunt, type Symptom } from '@gullwind/core';
import { Box, Checkbox, FormControlLabel, Typography } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { messageOf } from '../../app/api';
import { useListHuntsQuery, usePutHuntMutation } from '../../app/huntsApi';
import { newId } from '../../app/newId';
import { LineButton } from '../../ui/LineButton';
import { sayMoment } from './sayMoment';
import type { TraceProps } from './traceProps';

interface Props extends TraceProps {
  readonly onOpen: (id: string) => void;
}

/** What is wrong? And the hunts that there were. */
export function HuntBegin(props: Props) {
  const [comesAndGoes, setComesAndGoes] = useState(false);
  const begin = useBegin(props);
  return (
    <Box sx={{ px: { xs: 2, sm: 3 }, py: 2, maxWidth: 1040 }}>
      <Typography component="h2" sx={{ fontSize: { xs: 28, sm: 34 }, fontWeight: 600 }}>
        What is wrong?
      </Typography>
      <FormControlLabel
        label="It comes and goes: it may be away while I look for it"
        control={<Checkbox checked={comesAndGoes} onChange={(_, to) => setComesAndGoes(to)} />}
      />
      <Box
        component="ul"
        sx={{
          listStyle: 'none',
          p: 0,
          m: 0,
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr', lg: '1fr 1fr 1fr' },
          columnGap: 3,
        }}
      >
        {SYMPTOMS.map((symptom) => (
          <li key={symptom}>
            <SymptomButton
              symptom={symptom}
              onChoose={() => void begin(symptom, comesAndGoes || symptom === 'dropouts')}
            />
          </li>
        ))}
      </Box>
      <EarlierHunts rigId={props.rigId} onOpen={props.onOpen} />
    </Box>
  );
}

function SymptomButton({ symptom, onChoose }: { symptom: Symptom; onChoose: () => void }) {
  const { label, explained } = SYMPTOM_WORDS[symptom];
  return (
    <LineButton type="button" onClick={onChoose} sx={{ minHeight: 72, py: 1 }}>
      <Box component="span" sx={{ display: 'block', fontSize: 22, fontWeight: 600 }}>
        {label}
      </Box>
      {explained}
    </LineButton>
  );
}

function useBegin({ rigId, revision, onOpen }: Props) {
  const [put] = usePutHuntMutation();
  const { enqueueSnackbar } = useSnackbar();
  return async (symptom: Symptom, comesAndGoes: boolean): Promise<void> => {
    const id = newId();
    const answered = await put({
      id,
      hunt: {
        rig: rigId,
        revision: revision === null ? null : Math.max(1, revision),
        symptom,
        comesAndGoes,
        order: 'best',
        weights: {},
        note: '',
      },
    });
    if (answered.error) enqueueSnackbar(messageOf(answered.error), { variant: 'warning' });
    else onOpen(id);
  };
}

interface EarlierProps {
  readonly rigId: string | null;
  readonly onOpen: (id: string) => void;
}

/** Hunts that go on, and those that are over. */
function EarlierHunts({ rigId, onOpen }: EarlierProps) {
  const { data } = useListHuntsQuery(rigId, { refetchOnMountOrArgChange: true });
  const hunts = (data?.hunts ?? []).filter(({ rig }) => rig === rigId);
  if (hunts.length === 0) return null;
  return (
    <Box component="section" aria-label="Hunts so far" sx={{ mt: 4, maxWidth: 720 }}>
      <Typography variant="h2" sx={{ fontSize: 19, mb: 0.5 }}>
        Hunts so far
      </Typography>
      {hunts.map((hunt) => (
        <LineButton
          key={hunt.id}
          type="button"
          onClick={() => onOpen(hunt.id)}
          sx={{ minHeight: 44 }}
        >
          <i>{sayMoment(hunt.endedAt ?? hunt.changedAt)}</i>
          <strong>{SYMPTOM_WORDS[hunt.symptom].label}</strong>
          {`: ${sayHunt(hunt)}`}
        </LineButton>
      ))}
    </Box>
  );
}

function sayHunt({ ending, answers }: Hunt): string {
  if (!ending) return `goes on after ${answers.length} answers. Take it up`;
  return `${ENDING_WORDS[ending.kind].toLowerCase()}${ending.finding === '' ? '' : `. ${ending.finding}`}`;
}
