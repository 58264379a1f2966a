import { draftKey, useDraft } from '../../../app/drafts';
import {
  formatQuantity,
  pickupLevelDb,
  type FieldRule,
  type ItemOf,
  type MeasuredResponse,
  type PickupFit,
  type PickupRun,
} from '@gullwind/core';
import { Alert, Box, Button, Typography } from '@mui/material';
import { useMemo } from 'react';
import { PlainQuantityField } from '../../../ui/PlainQuantityField';
import { useLatest } from '../../../workers/useLatest';
import { questionsWorker } from '../../../workers/workers';
import { ConnectionDrawing } from '../ConnectionDrawing';
import { BY_HAND, useSweeper } from '../instruments';
import { useKeep } from '../keep';
import { ResidualChart } from '../ResidualChart';
import { ResponseFile } from '../ResponseFile';
import { Finding } from './Finding';
import { ItemChoice } from './ItemChoice';
import { ofKind, type JobProps } from './jobProps';
import { pickupFinding } from '../model/pickupFinding';

const LOAD: FieldRule = { label: 'Known load', quantity: 'resistance', min: 10e3, max: 1e8 };
const WINDING: FieldRule = {
  label: 'Winding, by the meter',
  quantity: 'resistance',
  min: 10,
  max: 1e5,
};
const ADDED: FieldRule = { label: 'Known capacitance', quantity: 'capacitance', min: 0, max: 1e-7 };
/** As far apart as most drawers hold: the farther, the better L and C_w are told apart. */
const USUAL_ADDED_F = [47e-12, 470e-12];

/** What is begun of a pickup by two responses. */
const PICKUP = draftKey('measure', 'pickup');

interface Slot {
  readonly addedF: number;
  readonly response: MeasuredResponse | null;
}

const NOT_TAKEN: readonly Slot[] = USUAL_ADDED_F.map((addedF) => ({ addedF, response: null }));

/** A pickup by two responses with two known capacitances: inductance, winding capacitance and losses. */
export function PickupJob(props: JobProps) {
  const guitars = ofKind(props.gear, 'guitar').filter(({ thing }) => thing.kind === 'magnetic');
  if (guitars.length === 0)
    return <Typography>There is no guitar with a magnetic pickup on the gear list.</Typography>;
  return <PickupOnBench {...props} guitars={guitars} />;
}

type BenchProps = JobProps & { readonly guitars: readonly ItemOf<'guitar'>[] };

function usePickupBench({ guitars, sweep }: BenchProps) {
  const [id, setId] = useDraft(draftKey(PICKUP, 'guitar'), guitars[0]!.id);
  const item = guitars.find((one) => one.id === id) ?? guitars[0]!;
  const [rDcOhm, setWinding] = useDraft<number | null>(draftKey(PICKUP, 'winding'), null);
  const [rLoadOhm, setLoad] = useDraft(draftKey(PICKUP, 'load'), 1e6);
  const [slots, setSlots] = useDraft<readonly Slot[]>(draftKey(PICKUP, 'responses'), NOT_TAKEN);
  const sweeper = useSweeper(sweep);
  const winding = rDcOhm ?? item.thing.rDcOhm.value;
  const change = (at: number, to: Partial<Slot>) =>
    setSlots((now) => now.map((slot, i) => (i === at ? { ...slot, ...to } : slot)));
  const runs = useMemo(
    () =>
      slots.flatMap(({ addedF, response }): PickupRun[] =>
        response ? [{ rDcOhm: winding, rLoadOhm, addedF, ...response }] : [],
      ),
    [slots, winding, rLoadOhm],
  );
  const choose = (to: string) => {
    setId(to);
    setWinding(null);
    setSlots((now) => now.map(({ addedF }) => ({ addedF, response: null })));
  };
  const takeAt = async (at: number) => {
    const { addedF } = slots[at]!;
    const response = await sweeper.take({
      kind: 'pickup',
      id: item.id,
      guitar: item.thing,
      rLoadOhm,
      addedF,
    });
    if (response) change(at, { response });
  };
  return {
    item,
    choose,
    winding,
    setWinding,
    rLoadOhm,
    setLoad,
    slots,
    change,
    runs,
    sweeper,
    takeAt,
  };
}

function PickupOnBench(props: BenchProps) {
  const { guitars, units } = props;
  const bench = usePickupBench(props);
  const fitted = useLatest(bench.runs.length > 0 ? bench.runs : null, fitRuns);
  return (
    <>
      <ItemChoice
        label="Which guitar"
        items={guitars}
        value={bench.item.id}
        onChange={bench.choose}
      />
      <ConnectionDrawing setup="pickup" />
      <Box sx={{ maxWidth: 320, my: 1 }}>
        <PlainQuantityField
          rule={WINDING}
          value={bench.winding}
          units={units}
          onChange={(value) => bench.setWinding(value)}
        />
        <PlainQuantityField
          rule={LOAD}
          value={bench.rLoadOhm}
          units={units}
          onChange={(value) => bench.setLoad(value)}
        />
      </Box>
      {bench.slots.map((slot, i) => (
        <SlotLine key={USUAL_ADDED_F[i]} {...props} slot={slot} number={i} bench={bench} />
      ))}
      {bench.sweeper.problem && <Alert severity="warning">{bench.sweeper.problem}</Alert>}
      {fitted && <Fitted {...props} {...fitted} item={bench.item} />}
    </>
  );
}

/** The fit with the very runs that it is of. */
const fitRuns = async (runs: readonly PickupRun[]) => ({
  runs,
  fit: await questionsWorker().fitPickup(runs),
});

type Bench = ReturnType<typeof usePickupBench>;

interface FittedProps extends BenchProps {
  readonly fit: PickupFit;
  readonly runs: readonly PickupRun[];
  readonly item: ItemOf<'guitar'>;
}

interface SlotProps extends BenchProps {
  readonly slot: Slot;
  readonly number: number;
  readonly bench: Bench;
}

function SlotLine({ slot, number, bench, units, sweep }: SlotProps) {
  const { addedF, response } = slot;
  const which = number === 0 ? 'first' : 'second';
  return (
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 0.5 }}>
      <Box sx={{ width: 250 }}>
        <PlainQuantityField
          rule={ADDED}
          label={`Capacitance, ${which}`}
          value={addedF}
          units={units}
          onChange={(value) => bench.change(number, { addedF: value, response: null })}
        />
      </Box>
      {sweep.id === BY_HAND ? (
        <ResponseFile onRead={(read) => bench.change(number, { response: read })}>
          {`Open the ${which} response`}
        </ResponseFile>
      ) : (
        <Button
          variant={response ? 'outlined' : 'contained'}
          disabled={bench.sweeper.isSweeping}
          onClick={() => void bench.takeAt(number)}
        >
          {`Take the ${which} response`}
        </Button>
      )}
      <Typography role="status" variant="body2">
        {response ? `${response.frequencyHz.length} points` : 'not taken yet'}
      </Typography>
    </Box>
  );
}

function Fitted({ fit, runs, item, units, sweep }: FittedProps) {
  const { keep, accept } = useKeep();
  const found = pickupFinding(fit, runs, item, units);
  const sent = { ...found.sent, instrument: sweep.name, isSimulated: sweep.isSimulated };
  return (
    <>
      {fit.kind !== 'tooFew' && (
        <ResidualChart
          words={`Measured responses and the fit. ${found.words}`}
          curves={runs.map(({ frequencyHz, levelDb, ...load }) => ({
            label: formatQuantity(load.addedF, 'capacitance', units),
            frequencyHz,
            levelDb,
            fittedDb: frequencyHz.map((hz) => fit.gainDb + pickupLevelDb(fit.values, load, hz)),
          }))}
          residuals={runs.map(({ frequencyHz }, i) => ({
            frequencyHz,
            levelDb: fit.residualDb[i] ?? [],
          }))}
        />
      )}
      <Finding
        words={found.words}
        doubt={found.doubt}
        item={item}
        draft={PICKUP}
        onKeep={() => keep(sent)}
        onAccept={found.values.length > 0 ? () => accept(item, found.values, sweep, sent) : null}
      />
    </>
  );
}
