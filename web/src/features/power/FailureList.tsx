import { sayLeft, type Failure, type Rig } from '@gullwind/core';
import { Box, Typography } from '@mui/material';
import { SentenceButton } from '../../ui/SentenceButton';
import { nameOfSource } from './model/sayPower';

interface Props {
  readonly rig: Rig;
  /** Null while it is worked out. */
  readonly failures: readonly Failure[] | null;
  readonly shown: Failure | null;
  readonly onShow: (failure: Failure | null) => void;
}

/** What is heard when something goes: the mains, a supply, an outlet. */
export function FailureList({ rig, failures, shown, onShow }: Props) {
  return (
    <Box component="section" aria-label="If it fails" sx={{ minWidth: 0 }}>
      <Typography variant="h2" sx={{ py: 0.25 }}>
        If it fails
      </Typography>
      {failures === null && <Typography variant="body2">…</Typography>}
      {failures?.length === 0 && (
        <Typography variant="body2">Nothing hangs on anything yet.</Typography>
      )}
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {failures?.map((failure) => {
          const isShown = shown === failure;
          return (
            <li key={JSON.stringify(failure.source)}>
              <SentenceButton
                type="button"
                aria-pressed={isShown}
                onClick={() => onShow(isShown ? null : failure)}
                style={{ ...WHOLE, fontWeight: isShown ? 600 : 400 }}
              >
                <span>{nameOfSource(rig, failure)}</span>
                <Box component="span" sx={{ color: 'text.secondary' }}>
                  {`${failure.consumers.length} dark · ${sayLeft(failure.left)}`}
                </Box>
              </SentenceButton>
            </li>
          );
        })}
      </Box>
    </Box>
  );
}

const WHOLE = {
  width: '100%',
  display: 'flex',
  gap: 8,
  justifyContent: 'space-between',
} as const;
