import type { Rig, RigVoice, ShopCable, UnitSystem } from '@gullwind/core';
import { Box, Typography } from '@mui/material';
import { useState } from 'react';
import { useSettings } from '../../app/useSettings';
import { OneOfFew } from '../../ui/OneOfFew';
import { HatchPattern } from '../../ui/HatchPattern';
import { STAGE_PAGE, STAGE_PANEL, stageColumns } from '../../ui/stageLayout';
import { shownRig, StageHeader, type OpenRig } from '../editor';
import { AbxTest } from './blind/AbxTest';
import { AmpTest } from './blind/AmpTest';
import { SayFirst } from './blind/SayFirst';
import { ThresholdRun } from './blind/ThresholdRun';
import { Compare } from './Compare';
import { HeardList } from './HeardList';
import type { ListenProps } from './listenProps';
import { LivePanel } from './LivePanel';
import { OutPanel } from './OutPanel';
import { ShopPanel } from './ShopPanel';
import { SourcePanel } from './SourcePanel';
import { useListening } from './useListening';
import { useVoices } from './useVoices';

const MODES = [
  ['compare', 'compare'],
  ['said', 'say first'],
  ['abx', 'blind test'],
  ['threshold', 'your threshold'],
  ['amp', 'at the real amp'],
  ['live', 'live input'],
] as const;
type Mode = (typeof MODES)[number][0];

const NO_VOICES: readonly RigVoice[] = [];

/** The rig as sound: voices switched at the same instant, blind tests, and the real amp. */
export function ListenView({ open }: { readonly open: OpenRig }) {
  const rig = shownRig({ rig: open.rig, preview: open.preview });
  const [{ units, scale }] = useSettings();
  const [shop, setShop] = useState<ShopCable | null>(null);
  const voices = useVoices(rig, units, shop);
  const listening = useListening(voices ?? NO_VOICES);
  const [mode, setMode] = useState<Mode>('compare');
  /** While a test runs nothing can be asked that would tell. */
  const [isBlind, setBlind] = useState(false);
  const go = (to: Mode) => {
    listening.player.stop();
    setMode(to);
  };
  const shared = { rigId: open.id, voices: voices ?? NO_VOICES, listening, scale };
  return (
    <Box component="main" sx={STAGE_PAGE}>
      <HatchPattern />
      <StageHeader stage="Listen" open={open} />
      {voices?.length === 0 ? (
        <Typography sx={{ p: 3 }}>
          Nothing can be heard of this rig: the guitar’s volume is closed, or its pickups cancel.
          Turn it up on Path.
        </Typography>
      ) : (
        <Box sx={stageColumns(330)}>
          <Box component="section" aria-label="What is heard" sx={WORK}>
            {!isBlind && (
              <OneOfFew label="How to listen" value={mode} options={MODES} onChange={go} />
            )}
            <ModeWork {...shared} mode={mode} rig={rig} units={units} onBlind={setBlind} />
          </Box>
          <Box component="section" aria-label="Sources and results" tabIndex={0} sx={STAGE_PANEL}>
            {!isBlind && <SourcePanel {...shared} />}
            {!isBlind && <OutPanel {...shared} rigName={rig.texts.name} />}
            {!isBlind && <ShopPanel {...shared} units={units} shop={shop} onChange={setShop} />}
            <HeardList rigId={open.id} />
          </Box>
        </Box>
      )}
    </Box>
  );
}

const WORK = { px: 3, py: 1, overflowY: 'auto', minHeight: 0, minWidth: 0 } as const;

type WorkProps = ListenProps & {
  readonly mode: Mode;
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly onBlind: (isBlind: boolean) => void;
};

function ModeWork({ mode, rig, units, onBlind, ...shared }: WorkProps) {
  switch (mode) {
    case 'compare':
      return <Compare {...shared} />;
    case 'said':
      return <SayFirst {...shared} />;
    case 'abx':
      return <AbxTest {...shared} onBlind={onBlind} />;
    case 'threshold':
      return <ThresholdRun {...shared} />;
    case 'amp':
      return <AmpTest {...shared} />;
    case 'live':
      return <LivePanel {...shared} rig={rig} units={units} />;
  }
}
