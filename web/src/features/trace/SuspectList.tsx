import type { SharedSuspect } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { weighed } from './model/answering';
import type { HuntHands, HuntNow } from './useHunt';

const FIRST_SHOWN = 8;
const STEP = 3;

/** Who is suspected and why; weights are there to be changed by who knows better. */
export function SuspectList({ now, hands }: { readonly now: HuntNow; readonly hands: HuntHands }) {
  const [isWhole, setWhole] = useState(false);
  const { suspects } = now.state;
  const shown = isWhole ? suspects : suspects.slice(0, FIRST_SHOWN);
  const { weights, ending } = now.hunt;
  return (
    <Box>
      <Typography variant="h2" sx={{ fontSize: 17 }}>
        Suspects
      </Typography>
      <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {shown.map((suspect) => (
          <Suspect
            key={suspect.id}
            suspect={suspect}
            byHand={weights[suspect.id] ?? 1}
            onWeigh={ending ? null : (by) => hands.set(weighed(now.hunt, suspect.id, by))}
          />
        ))}
      </Box>
      {suspects.length > FIRST_SHOWN && (
        <Button size="small" onClick={() => setWhole(!isWhole)}>
          {isWhole ? 'Only the first' : `All ${suspects.length}`}
        </Button>
      )}
    </Box>
  );
}

interface SuspectProps {
  readonly suspect: SharedSuspect;
  readonly byHand: number;
  readonly onWeigh: ((by: number) => void) | null;
}

function Suspect({ suspect, byHand, onWeigh }: SuspectProps) {
  const { says, share, isRuledOut, usual, reasons } = suspect;
  const why = [
    `usual weight ${usual}`,
    ...reasons.map((reason) => `${reason.says} ×${reason.factor}`),
    ...(byHand === 1 ? [] : [`by hand ×${Number(byHand.toPrecision(2))}`]),
  ].join('; ');
  return (
    <Box
      component="li"
      sx={{ borderTop: 1, borderColor: 'divider', py: 0.5, display: 'flex', gap: 1 }}
    >
      <Box sx={{ width: 46, flex: 'none', fontSize: 16, fontWeight: 600, textAlign: 'right' }}>
        {sayShare(share)}
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography sx={{ fontSize: 15, lineHeight: 1.3 }}>
          {says}
          {isRuledOut && <em> Ruled out by an answer.</em>}
        </Typography>
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          {why}
        </Typography>
      </Box>
      {onWeigh && (
        <Box sx={{ flex: 'none', display: 'flex' }}>
          <Weigh label={`Less likely: ${says}`} words="−" onClick={() => onWeigh(1 / STEP)} />
          <Weigh label={`More likely: ${says}`} words="+" onClick={() => onWeigh(STEP)} />
        </Box>
      )}
    </Box>
  );
}

const Weigh = ({
  label,
  words,
  onClick,
}: {
  label: string;
  words: string;
  onClick: () => void;
}) => (
  <Button
    aria-label={label}
    onClick={onClick}
    sx={{ minWidth: 36, minHeight: 36, fontSize: 18, p: 0 }}
  >
    {words}
  </Button>
);

const sayShare = (share: number): string =>
  share >= 0.995 ? '> 99 %' : share >= 0.005 ? `${Math.round(100 * share)} %` : '< 1 %';
