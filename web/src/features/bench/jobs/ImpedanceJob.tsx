import { draftKey, useDraft } from '../../../app/drafts';
import type { SentMeasurement } from '@gullwind/contract';
import {
  bestResistor,
  fitInput,
  fitOutput,
  formatNumber,
  formatQuantity,
  type FieldRule,
  type ItemOf,
  type LevelChange,
  type UnitSystem,
} from '@gullwind/core';
import { Box, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { PlainQuantityField } from '../../../ui/PlainQuantityField';
import { ConnectionDrawing } from '../ConnectionDrawing';
import { useKeep } from '../keep';
import type { Found } from '../model/found';
import { Finding } from './Finding';
import { ItemChoice } from './ItemChoice';
import { ofKind, type JobProps } from './jobProps';

const RESISTOR: FieldRule = { label: 'Known resistor', quantity: 'resistance', min: 10, max: 1e8 };
const SOURCE: FieldRule = { label: 'Generator’s own', quantity: 'resistance', min: 0, max: 1e6 };
const INPUT_HZ = [100, 400, 1000, 3000, 6000, 10_000, 15_000];
const OUTPUT_HZ = [400, 1000, 3000];

/** Input or output of a pedal, by how much the level falls with a known resistor. */
export function ImpedanceJob(props: JobProps & { readonly of: 'input' | 'output' }) {
  const devices = ofKind(props.gear, 'device');
  if (devices.length === 0)
    return <Typography>There is no pedal on the gear list to measure.</Typography>;
  return <ImpedanceOnBench {...props} devices={devices} key={props.of} />;
}

type BenchProps = JobProps & {
  readonly of: 'input' | 'output';
  readonly devices: readonly ItemOf<'device'>[];
};

const NO_LEVELS: Readonly<Record<number, number>> = {};
/** What is begun of an input or an output. */
const draftOf = (of: 'input' | 'output') => draftKey('measure', of);

function useImpedance({ of, devices }: Pick<BenchProps, 'of' | 'devices'>) {
  const draft = draftOf(of);
  const [id, choose] = useDraft(draftKey(draft, 'pedal'), devices[0]!.id);
  const item = devices.find((one) => one.id === id) ?? devices[0]!;
  const guess = of === 'input' ? item.thing.on.rInOhm.value : item.thing.on.rOutOhm.value;
  const best = bestResistor(guess, of === 'input' ? 'series' : 'shunt');
  const [resistor, setResistor] = useDraft<number | null>(draftKey(draft, 'resistor'), null);
  const [sourceOhm, setSource] = useDraft(draftKey(draft, 'source'), 600);
  const [levels, setLevels] = useDraft<Readonly<Record<number, number>>>(
    draftKey(draft, 'levels'),
    NO_LEVELS,
  );
  const known = resistor ?? best;
  const changes = (of === 'input' ? INPUT_HZ : OUTPUT_HZ).flatMap((frequencyHz) =>
    levels[frequencyHz] === undefined ? [] : [{ frequencyHz, changeDb: levels[frequencyHz] }],
  );
  const change = (hz: number, db: number | null) =>
    setLevels(({ [hz]: _, ...rest }) => (db === null ? rest : { ...rest, [hz]: db }));
  const start = (to: string) => {
    choose(to);
    setLevels(NO_LEVELS);
    setResistor(null);
  };
  return {
    item,
    start,
    guess,
    best,
    known,
    setResistor,
    sourceOhm,
    setSource,
    levels,
    change,
    changes,
  };
}

function ImpedanceOnBench({ of, devices, units }: BenchProps) {
  const bench = useImpedance({ of, devices });
  const { item, guess, best, known, sourceOhm, levels, changes } = bench;
  return (
    <>
      <ItemChoice label="Which pedal" items={devices} value={item.id} onChange={bench.start} />
      <ConnectionDrawing setup={of} />
      <Typography variant="body2" sx={{ my: 1, maxWidth: 620 }}>
        {`The list says ${formatQuantity(guess, 'resistance', units)}: ${formatQuantity(best, 'resistance', units)} would tell most, since the level then falls by half. Low signal, so that nothing distorts; write how much the level falls with the resistor.`}
      </Typography>
      <Box sx={{ maxWidth: 300 }}>
        <PlainQuantityField
          rule={RESISTOR}
          value={known}
          units={units}
          onChange={bench.setResistor}
        />
        {of === 'input' && (
          <PlainQuantityField
            rule={SOURCE}
            value={sourceOhm}
            units={units}
            onChange={bench.setSource}
          />
        )}
      </Box>
      <FallTable
        frequencies={of === 'input' ? INPUT_HZ : OUTPUT_HZ}
        levels={levels}
        onChange={bench.change}
      />
      <ImpedanceFinding {...{ of, item, changes, known, sourceOhm, units }} />
    </>
  );
}

interface TableProps {
  readonly frequencies: readonly number[];
  readonly levels: Readonly<Record<number, number>>;
  readonly onChange: (hz: number, db: number | null) => void;
}

/** How much the level falls, frequency by frequency; what is not measured stays empty. */
const FallTable = ({ frequencies, levels, onChange }: TableProps) => (
  <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', my: 1 }}>
    {frequencies.map((hz) => (
      <FallField key={hz} hz={hz} value={levels[hz]} onChange={(db) => onChange(hz, db)} />
    ))}
  </Box>
);

const MOST_FALL_DB = 80;

interface FallProps {
  readonly hz: number;
  readonly value: number | undefined;
  readonly onChange: (db: number | null) => void;
}

function FallField({ hz, value, onChange }: FallProps) {
  // What is typed stays as it is typed; what was kept is written out.
  const [typed, setText] = useState<string | null>(null);
  const text = typed ?? (value === undefined ? '' : String(-value));
  const [message, setMessage] = useState('');
  const take = (typed: string) => {
    setText(typed);
    if (typed.trim() === '') {
      setMessage('');
      return onChange(null);
    }
    const db = Number(typed.replace(',', '.').replace('−', '-'));
    const isWrong = !Number.isFinite(db) || Math.abs(db) > MOST_FALL_DB;
    setMessage(isWrong ? `0 to ${MOST_FALL_DB} dB` : '');
    onChange(isWrong ? null : -Math.abs(db));
  };
  return (
    <TextField
      size="small"
      label={`${hz >= 1000 ? `${hz / 1000} kHz` : `${hz} Hz`}, falls by dB`}
      value={text}
      error={message !== ''}
      helperText={message || ' '}
      onChange={(event) => take(event.target.value)}
      sx={{ width: 150 }}
    />
  );
}

interface FindingProps {
  readonly of: 'input' | 'output';
  readonly item: ItemOf<'device'>;
  readonly changes: readonly LevelChange[];
  readonly known: number;
  readonly sourceOhm: number;
  readonly units: UnitSystem;
}

function ImpedanceFinding(props: FindingProps) {
  const { of, item, changes, known, sourceOhm } = props;
  const { keep, accept } = useKeep();
  const { words, values } = of === 'input' ? inputFinding(props) : outputFinding(props);
  const sent: SentMeasurement = {
    job: of,
    rig: null,
    gear: item.id,
    subject: item.thing.name,
    instrument: 'by hand',
    isSimulated: false,
    readings: changes.map(({ frequencyHz, changeDb }) => ({
      label: `${frequencyHz} Hz`,
      quantity: 'level',
      values: [changeDb],
      conditions: { frequencyHz, resistorOhm: known, sourceOhm },
    })),
    responses: [],
    figures: values.map(({ field, value, error }) => ({
      label: field,
      quantity: field.endsWith('F') ? 'capacitance' : 'resistance',
      value,
      error,
    })),
    words,
    by: '',
    note: '',
  };
  const hand = { id: 'hand', instrument: null, name: 'by hand', isSimulated: false };
  return (
    <Finding
      words={words}
      item={item}
      draft={draftOf(of)}
      onKeep={() => keep(sent)}
      onAccept={values.length > 0 ? () => accept(item, values, hand, sent) : null}
    />
  );
}

interface Result {
  readonly words: string;
  readonly values: readonly Found[];
}

const TOO_LITTLE = 'The level hardly falls: a larger resistor would tell more.';

function inputFinding({ changes, known, sourceOhm, units }: FindingProps): Result {
  const fit = fitInput(changes, sourceOhm, known);
  if (fit.kind === 'tooFew') return { words: '', values: [] };
  if (fit.kind === 'tooLittle') return { words: TOO_LITTLE, values: [] };
  const { rInOhm, cInF, rShare, cShare, rmsDb } = fit;
  const r = { field: 'on.rInOhm', value: rInOhm, error: rShare * rInOhm };
  const c = { field: 'on.cInF', value: cInF, error: (cShare ?? 0) * cInF };
  const sayC =
    cShare === null
      ? 'its capacitance does not show at these frequencies'
      : `beside ${formatQuantity(cInF, 'capacitance', units)} ± ${formatNumber(200 * cShare, 0)} %`;
  return {
    words: `Its input: ${formatQuantity(rInOhm, 'resistance', units)} ± ${formatNumber(200 * rShare, 1)} %, ${sayC}; ${formatNumber(rmsDb, 2)} dB left.`,
    values: cShare === null ? [r] : [r, c],
  };
}

function outputFinding({ changes, known, units }: FindingProps): Result {
  const fit = fitOutput(changes, known);
  if (fit.kind === 'tooFew') return { words: '', values: [] };
  if (fit.kind === 'tooLittle')
    return { words: 'The level hardly falls: a smaller resistor would tell more.', values: [] };
  const { rOutOhm, rShare } = fit;
  const share = rShare === null ? '' : ` ± ${formatNumber(200 * rShare, 1)} %`;
  return {
    words: `Its output: ${formatQuantity(rOutOhm, 'resistance', units)}${share}.`,
    values: [
      { field: 'on.rOutOhm', value: rOutOhm, error: rShare === null ? null : rShare * rOutOhm },
    ],
  };
}
