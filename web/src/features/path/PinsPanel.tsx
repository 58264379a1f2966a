import {
  formatSignedDb,
  MOST_PINS,
  pinRig,
  removeFrom,
  type Difference,
  type Rig,
} from '@gullwind/core';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, Typography } from '@mui/material';
import { memo } from 'react';
import { NameField } from '../../ui/NameField';
import type { PinnedSound } from '../../workers/questions.worker';
import { differenceIn, type ToleranceWork } from '../../workers/useTolerance';
import { Band, Figure } from '../../ui/Figure';
import { PinMark } from './PinMark';
import { ToleranceLine } from './ToleranceLine';
import type { PathActions } from './usePathActions';

interface Props {
  readonly rig: Rig;
  readonly nowDb: number | null;
  readonly pinned: readonly PinnedSound[];
  readonly work: ToleranceWork;
  readonly actions: PathActions;
}

/** States of the rig kept as curves, beside the one in hand. */
export const PinsPanel = memo(function PinsPanel({ rig, nowDb, pinned, work, actions }: Props) {
  const isFull = rig.pins.length >= MOST_PINS;
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        disabled={isFull}
        onClick={() => actions.edit(pinRig(rig, `Pin ${rig.pins.length + 1}`))}
      >
        Pin this
      </Button>
      <Typography variant="body2" sx={{ my: 0.75, color: 'text.secondary' }}>
        {isFull
          ? `${MOST_PINS} pins are the most; delete one first.`
          : 'Keeps the rig as it is now as a curve to compare with.'}
      </Typography>
      {rig.pins.map((pin, index) => (
        <PinEntry
          key={pin.id}
          rig={rig}
          pin={pin}
          index={index}
          analysis={pinned.find(({ pinId }) => pinId === pin.id)?.analysis ?? null}
          nowDb={nowDb}
          difference={differenceIn(work, pin.id)}
          actions={actions}
        />
      ))}
      {rig.pins.length > 0 && <ToleranceLine work={work} />}
    </>
  );
});

interface PinProps {
  readonly rig: Rig;
  readonly pin: Rig['pins'][number];
  readonly index: number;
  readonly actions: PathActions;
}

interface PinEntryProps extends PinProps {
  readonly analysis: PinnedSound['analysis'] | null;
  readonly nowDb: number | null;
  readonly difference: Difference | null;
}

function PinEntry({ rig, pin, index, analysis, nowDb, difference, actions }: PinEntryProps) {
  const figures = analysis?.kind === 'sounding' ? analysis.figures : null;
  return (
    <Box data-pin={pin.id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
      <PinHead rig={rig} pin={pin} index={index} actions={actions} />
      <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: '1fr auto' }}>
        <Figure
          name="its treble"
          value={figures ? `${formatSignedDb(figures.trebleDb, 2)} dB` : 'nothing heard'}
        />
        {figures && nowDb !== null && (
          <Figure
            name="now against it"
            value={`${formatSignedDb(nowDb - figures.trebleDb, 2)} dB`}
          />
        )}
        {difference && <Band bounds={difference.figures.trebleDb} />}
      </Box>
    </Box>
  );
}

function PinHead({ rig, pin, index, actions }: PinProps) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
      <PinMark index={index} />
      <NameField
        label={`Name of ${pin.name}`}
        value={pin.name}
        onChange={(to) => actions.edit({ kind: 'rename', target: { of: 'pin', id: pin.id }, to })}
        sx={{ fontSize: 14.5, fontWeight: 600, flex: 1, '& input': { py: 0 } }}
      />
      <Button
        size="small"
        sx={{ py: 0, minWidth: 0 }}
        onClick={() => actions.edit({ kind: 'restore', rig: pin.rig })}
      >
        bring back
      </Button>
      <IconButton
        size="small"
        aria-label={`Delete ${pin.name}`}
        sx={{ p: 0 }}
        onClick={() => actions.edit(removeFrom(rig, 'pins', pin.id))}
      >
        <DeleteOutlined sx={{ fontSize: 16 }} />
      </IconButton>
    </Box>
  );
}
