import {
  fitPickupSimulator,
  formatQuantity,
  removePickupSimulator,
  type Device,
  type Edit,
  type Rig,
  type SimulatorValues,
  type UnitSystem,
  chainOf,
  type Chain,
} from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useMemo } from 'react';
import { questionsWorker } from '../../../workers/workers';
import { useLatest } from '../../../workers/useLatest';
import { Figure } from '../../../ui/Figure';
import { PartFields } from '../../../ui/parts/PartFields';
import type { PathActions } from '../usePathActions';

interface Question {
  readonly rig: Chain;
  readonly rowId: string;
  readonly id: string;
}

const ask = async ({ rig, rowId, id }: Question) => ({
  id,
  found: await questionsWorker().pickupSimulator(rig, rowId, id),
});

const ohm = (value: number) => formatQuantity(value, 'resistance', 'metric');

interface Props extends Omit<Question, 'rig'> {
  readonly rig: Rig;
  readonly device: Device;
  readonly units: UnitSystem;
  readonly actions: PathActions;
}

/** What to put ahead of a fuzz that something buffered has to drive, and what is there. */
export function PickupSimulatorTool({ rig, rowId, id, device, units, actions }: Props) {
  const fit = (edit: Edit | null) => edit && actions.edit(edit);
  if (!device.pickupSimulator)
    return (
      <>
        <Advice rig={rig} rowId={rowId} id={id} />
        <Button size="small" onClick={() => fit(fitPickupSimulator(rig, id))}>
          Fit one
        </Button>
      </>
    );
  return (
    <>
      <PartFields
        part={device}
        of="device"
        id={id}
        fields={[
          ['pickupSimulator.lH', 'Coil'],
          ['pickupSimulator.rOhm', 'Resistor'],
        ]}
        units={units}
        assumedFrom="the pickup"
        actions={actions}
      />
      <Button size="small" onClick={() => fit(removePickupSimulator(rig, id))}>
        Remove the pickup simulator
      </Button>
    </>
  );
}

function Advice({ rig, rowId, id }: Question) {
  const chain = chainOf(rig);
  const question = useMemo(() => ({ rig: chain, rowId, id }), [chain, rowId, id]);
  const answer = useLatest(question, ask);
  if (answer?.id !== id) return <Typography variant="body2">…</Typography>;
  if (!answer.found) {
    return (
      <Typography variant="body2">
        Nothing to stand in for: the pickup drives it itself, or it is off.
      </Typography>
    );
  }
  return <Found found={answer.found} />;
}

function Found({ found }: { readonly found: SimulatorValues }) {
  return (
    <>
      <Typography variant="body2" data-testid="pickup simulator">
        In series ahead of it: {formatQuantity(found.lH, 'inductance', 'metric')} and{' '}
        {ohm(found.rOhm)}. What the fuzz then meets, against the pickup itself and what drives it
        now:
      </Typography>
      <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: '1fr auto' }}>
        {found.impedances.map(({ hz, pickupOhm, nowOhm, simulatorOhm }) => (
          <Figure
            key={hz}
            name={formatQuantity(hz, 'frequency', 'metric')}
            value={`${ohm(simulatorOhm)} · ${ohm(pickupOhm)} · ${ohm(nowOhm)}`}
          />
        ))}
      </Box>
    </>
  );
}
