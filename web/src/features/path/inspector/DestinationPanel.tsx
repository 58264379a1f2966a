import { DESTINATION_KINDS, type Destination, type DestinationKind } from '@gullwind/core';
import { Box, Button, Link, Typography } from '@mui/material';
import { Link as RouterLink, useParams } from 'react-router';
import { EffectsLoopFields, DestinationFields } from '../../../ui/parts/DestinationFields';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import { PartFields, type FieldsOf } from '../../../ui/parts/PartFields';
import type { PanelProps } from './panelProps';
import { PanelHead } from './PanelHead';

const CAUTIONS: Readonly<Record<DestinationKind, string>> = {
  amp: 'The model ends at the input jack. Never open a tube amp: lethal voltages remain when it is unplugged. That is work for a qualified technician.',
  activeDi:
    'Never a DI after a loudspeaker output unless it has a tap made for it. Powered by phantom or battery: mute the channel before it is plugged in.',
  passiveDi: 'Never a DI after a loudspeaker output unless it has a tap made for it.',
  mixer: 'Mute the channel before anything is plugged in: it spares ears and loudspeakers.',
  tuner: 'A tuner on a tap hears all the time; its input stays on the line.',
};

const REFERENCE: FieldsOf<'reference'> = [
  ['lengthM', 'Length'],
  ['cPerMF', 'Capacitance'],
];

export function DestinationPanel(props: PanelProps & { readonly id: string }) {
  const { rig, units, actions, onSwap, id } = props;
  const destination = rig.electrical.destinations.find((other) => other.id === id)!;
  const target = { of: 'destination', id } as const;
  const { label } = DESTINATION_KINDS[destination.kind];
  return (
    <>
      <PanelHead
        name={destination.name}
        label={`Name of the ${label}`}
        kind={`${label}, up to the jack`}
        gear={destination.gear}
        onRename={(to) => actions.edit({ kind: 'rename', target, to })}
      >
        <Button size="small" onClick={() => onSwap('destination')}>
          Swap
        </Button>
      </PanelHead>
      <DestinationFields destination={destination} units={units} actions={actions} />
      {destination.kind === 'amp' && (
        <EffectsLoop rig={rig} destination={destination} units={units} actions={actions} />
      )}
      <PanelGroup title="Straight in: the reference cable">
        <PartFields
          part={rig.electrical.reference}
          of="reference"
          fields={REFERENCE}
          units={units}
          assumedFrom="an ordinary cable"
          actions={actions}
        />
      </PanelGroup>
      <CheckLinks kind={destination.kind} />
      <Typography variant="caption" sx={{ display: 'block', mt: 1.5, color: 'text.secondary' }}>
        {CAUTIONS[destination.kind]}
      </Typography>
    </>
  );
}

interface EffectsLoopProps extends Omit<PanelProps, 'onSwap'> {
  readonly destination: Destination;
}

/** The loop of an amp, where it is used; or the way to use it. */
function EffectsLoop({ rig, destination, units, actions }: EffectsLoopProps) {
  const { id } = destination;
  const loop = rig.electrical.rows.find(({ at }) => at.kind === 'ampLoop' && at.destination === id);
  return (
    <PanelGroup title="Effects loop">
      {loop ? (
        <>
          <EffectsLoopFields destination={destination} units={units} actions={actions} />
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
  );
}

function CheckLinks({ kind }: { readonly kind: DestinationKind }) {
  const { rigId } = useParams();
  return (
    <Box sx={{ display: 'flex', gap: 2, mt: 1 }}>
      <Link component={RouterLink} to={`/di?rig=${rigId}`} variant="body2">
        Which DI?
      </Link>
      {kind === 'amp' && (
        <Link component={RouterLink} to="/speaker" variant="body2">
          Speaker cable
        </Link>
      )}
    </Box>
  );
}
