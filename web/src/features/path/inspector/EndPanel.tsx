import { END_KINDS, type EndKind } from '@gullwind/core';
import { Box, Button, Link, Typography } from '@mui/material';
import { Link as RouterLink, useParams } from 'react-router';
import { EffectsLoopFields, EndFields } from '../../../ui/parts/EndFields';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import { PartFields } from '../../../ui/parts/PartFields';
import type { PanelProps } from './panelProps';
import { PanelHead } from './PanelHead';

const CAUTIONS: Readonly<Record<EndKind, string>> = {
  amp: 'The model ends at the input jack. Never open a tube amp: lethal voltages remain when it is unplugged. That is work for a qualified technician.',
  activeDi:
    'Never a DI behind a loudspeaker output unless it has a tap made for it. Powered by phantom or battery: mute the channel before it is plugged in.',
  passiveDi: 'Never a DI behind a loudspeaker output unless it has a tap made for it.',
  mixer: 'Mute the channel before anything is plugged in: it spares ears and loudspeakers.',
  tuner: 'A tuner on a tap hears all the time; its input stays on the line.',
};

export function EndPanel({
  rig,
  units,
  actions,
  onSwap,
  id,
}: PanelProps & { readonly id: string }) {
  const end = rig.ends.find((other) => other.id === id)!;
  const target = { of: 'end', id } as const;
  const { rigId } = useParams();
  const { label } = END_KINDS[end.kind];
  const loop = rig.rows.find(({ at }) => at.kind === 'ampLoop' && at.end === id);
  return (
    <>
      <PanelHead
        name={end.name}
        label={`Name of the ${label}`}
        kind={`${label}, up to the jack`}
        gear={end.gear}
        onRename={(to) => actions.edit({ kind: 'rename', target, to })}
      >
        <Button size="small" onClick={() => onSwap('end')}>
          Swap
        </Button>
      </PanelHead>
      <EndFields end={end} units={units} actions={actions} />
      {end.kind === 'amp' && (
        <PanelGroup title="Effects loop">
          {loop ? (
            <>
              <EffectsLoopFields end={end} units={units} actions={actions} />
              <Button size="small" onClick={() => actions.removeRow(loop.id)}>
                Leave the loop unused
              </Button>
            </>
          ) : (
            <Button size="small" onClick={() => actions.addAmpLoop(id)}>
              Use the effects loop
            </Button>
          )}
        </PanelGroup>
      )}
      <PanelGroup title="Straight in: the reference lead">
        <PartFields
          part={rig.reference}
          of="reference"
          fields={[
            ['lengthM', 'Length'],
            ['cPerMF', 'Capacitance'],
          ]}
          units={units}
          assumedFrom="an ordinary lead"
          actions={actions}
        />
      </PanelGroup>
      <Box sx={{ display: 'flex', gap: 2, mt: 1 }}>
        <Link component={RouterLink} to={`/di?rig=${rigId}`} variant="body2">
          Which DI?
        </Link>
        {end.kind === 'amp' && (
          <Link component={RouterLink} to="/speaker" variant="body2">
            Speaker lead
          </Link>
        )}
      </Box>
      <Typography variant="caption" sx={{ display: 'block', mt: 1.5, color: 'text.secondary' }}>
        {CAUTIONS[end.kind]}
      </Typography>
    </>
  );
}
