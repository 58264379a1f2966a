import { draftKey, useDraft } from '../../../app/drafts';
import type { SentMeasurement } from '@gullwind/contract';
import {
  expectedReading,
  formatNumber,
  formatQuantity,
  plausibilityOf,
  summariseReadings,
  USUAL_READINGS,
  type Connected,
  type Guitar,
  type ItemOf,
  type MeterQuantity,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Typography } from '@mui/material';
import { BarChoice } from '../../../ui/BarChoice';
import { ConnectionDrawing } from '../ConnectionDrawing';
import { useMeter } from '../instruments';
import { useKeep } from '../keep';
import type { Found } from '../model/found';
import { Finding } from './Finding';
import { ItemChoice } from './ItemChoice';
import { ofKind, type JobProps } from './jobProps';
import { ReadingBar } from './ReadingBar';
import { INDUCTANCE, RESISTANCE } from './rules';

const SETTINGS = {
  R: { quantity: 'R', frequencyHz: 1000, words: 'resistance' },
  ls1000: { quantity: 'Ls', frequencyHz: 1000, words: 'inductance, series, 1 kHz' },
  ls120: { quantity: 'Ls', frequencyHz: 120, words: 'inductance, series, 120 Hz' },
  lp120: { quantity: 'Lp', frequencyHz: 120, words: 'inductance, parallel, 120 Hz' },
} as const satisfies Readonly<
  Record<
    string,
    { readonly quantity: MeterQuantity; readonly frequencyHz: number; readonly words: string }
  >
>;
type SettingKey = keyof typeof SETTINGS;

const WHERE = { coil: 'at the coil’s own wires', jack: 'at the guitar’s jack' } as const;
type Where = keyof typeof WHERE;

/** A pickup by a component meter: resistance and inductance, with what the model leads one to expect beside it. */
export function CoilJob(props: JobProps) {
  const guitars = ofKind(props.gear, 'guitar').filter(({ thing }) => thing.kind === 'magnetic');
  if (guitars.length === 0)
    return <Typography>There is no guitar with a magnetic pickup on the gear list.</Typography>;
  return <CoilOnBench {...props} guitars={guitars} />;
}

type BenchProps = JobProps & { readonly guitars: readonly ItemOf<'guitar'>[] };

/** What is begun of a pickup at the meter. */
const COIL = draftKey('measure', 'coil');

function useCoilBench({ guitars, meter }: BenchProps) {
  const [id, choose] = useDraft(draftKey(COIL, 'guitar'), guitars[0]!.id);
  const [where, setWhere] = useDraft<Where>(draftKey(COIL, 'where'), 'coil');
  const [key, setKey] = useDraft<SettingKey>(draftKey(COIL, 'setting'), 'ls1000');
  const [values, setValues] = useDraft<readonly number[]>(draftKey(COIL, 'readings'), []);
  const { read, isReading, problem } = useMeter(meter);
  const item = guitars.find((one) => one.id === id) ?? guitars[0]!;
  const { quantity, frequencyHz } = SETTINGS[key];
  const summary = summariseReadings(values);
  const connected: Connected = { kind: 'guitar', guitar: item.thing, at: where };
  const add = (more: readonly number[]) => setValues((before) => [...before, ...more]);
  const anew =
    <T,>(set: (to: T) => void) =>
    (to: T) => {
      set(to);
      setValues([]);
    };
  return {
    ...{ item, where, settingKey: key, values, summary, isReading, problem, add },
    plausibility: summary && plausibilityOf(connected, quantity, frequencyHz, summary.median),
    choose: anew(choose),
    setWhere: anew(setWhere),
    setKey: anew(setKey),
    forget: () => setValues([]),
    take: async () => {
      const at = { kind: 'guitar', id: item.id, guitar: item.thing, at: where } as const;
      const answer = await read(at, { quantity, frequencyHz }, USUAL_READINGS);
      if (answer) add(answer.values);
    },
  };
}

function CoilOnBench(props: BenchProps) {
  const { guitars, units, meter } = props;
  const bench = useCoilBench(props);
  const { item, where, settingKey, values, summary } = bench;
  return (
    <>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', mb: 1 }}>
        <ItemChoice label="Which guitar" items={guitars} value={item.id} onChange={bench.choose} />
        <WordChoice
          label="Where the clips are"
          words={WHERE}
          value={where}
          onChange={bench.setWhere}
        />
        <WordChoice
          label="What is read"
          words={KEY_WORDS}
          value={settingKey}
          onChange={bench.setKey}
        />
      </Box>
      <ConnectionDrawing setup={where} />
      <Typography variant="body2" sx={{ my: 1, maxWidth: 620 }}>
        {hintOf(settingKey, where)}
      </Typography>
      <ReadingBar
        {...{ units, values, summary }}
        isReading={bench.isReading}
        problem={bench.problem}
        chosen={meter}
        rule={settingKey === 'R' ? RESISTANCE : INDUCTANCE}
        plausibility={bench.plausibility}
        onTake={() => void bench.take()}
        onTyped={(value) => bench.add([value])}
        onForget={bench.forget}
      />
      {summary && <CoilFinding {...{ item, where, values, units, meter, settingKey }} />}
    </>
  );
}

const KEY_WORDS = Object.fromEntries(
  Object.entries(SETTINGS).map(([key, { words }]) => [key, words]),
) as Readonly<Record<SettingKey, string>>;

interface WordChoiceProps<T extends string> {
  readonly label: string;
  readonly words: Readonly<Record<T, string>>;
  readonly value: T;
  readonly onChange: (value: T) => void;
}

const WordChoice = <T extends string>({ label, words, value, onChange }: WordChoiceProps<T>) => (
  <BarChoice label={label} value={value} onChange={(to) => onChange(to as T)}>
    {(Object.entries(words) as [T, string][]).map(([one, says]) => (
      <option key={one} value={one}>
        {says}
      </option>
    ))}
  </BarChoice>
);

function hintOf(key: SettingKey, where: Where): string {
  if (key === 'lp120')
    return 'In parallel mode at a low frequency the winding’s resistance rules: the reading is several times too high. It is here to know it by sight.';
  if (where === 'jack')
    return 'At the jack the pots lie across the coil: the reading is corrected for them as the list says they are. Volume and tone full up.';
  return key === 'R'
    ? 'A cold pickup: copper gains four parts in a thousand with each degree.'
    : 'At 1 kHz the winding’s own capacitance makes it read 1 to 4 % high; that is taken off.';
}

interface FindingProps {
  readonly item: ItemOf<'guitar'>;
  readonly where: Where;
  readonly settingKey: SettingKey;
  readonly values: readonly number[];
  readonly units: UnitSystem;
  readonly meter: JobProps['meter'];
}

function CoilFinding({ item, where, settingKey, values, units, meter }: FindingProps) {
  const { keep, accept } = useKeep();
  const { quantity, frequencyHz, words } = SETTINGS[settingKey];
  const { median } = summariseReadings(values)!;
  const value = corrected(item.thing, where, quantity, frequencyHz, median);
  const of = quantity === 'R' ? ('resistance' as const) : ('inductance' as const);
  const say = (si: number) => formatQuantity(si, of, units, 4);
  const isUsable = quantity !== 'Lp' && value !== null;
  const found: readonly Found[] = isUsable
    ? [{ field: quantity === 'R' ? 'rDcOhm' : 'lH', value, error: 0.003 * value }]
    : [];
  const off = isUsable ? formatNumber(100 * (median / value - 1), 1) : '';
  const isOff = isUsable && Math.abs(median / value - 1) > 0.0005;
  const beside = isOff
    ? `: the reading, ${say(median)}, is ${off} % from it by what lies across the coil`
    : '';
  const says = isUsable
    ? `${say(value)} of the coil itself${beside}.`
    : `${say(median)}, ${words}: it says nothing of the coil alone.`;
  const sent: SentMeasurement = {
    ...{ job: 'coil', rig: null, gear: item.id, subject: item.thing.name },
    ...{ instrument: meter.name, isSimulated: meter.isSimulated },
    readings: [
      { label: words, quantity: of, values, conditions: { frequencyHz, mode: quantity, where } },
    ],
    responses: [],
    figures: isUsable ? [{ label: quantity, quantity: of, value, error: 0.003 * value }] : [],
    ...{ words: says, by: '', note: '' },
  };
  return (
    <Finding
      words={says}
      item={item}
      draft={COIL}
      onKeep={() => keep(sent)}
      onAccept={found.length > 0 ? () => accept(item, found, meter, sent) : null}
    />
  );
}

/** The coil's own value from a reading: what lies across it takes the same share as in the model. */
function corrected(
  guitar: Guitar,
  where: Where,
  quantity: MeterQuantity,
  frequencyHz: number,
  reading: number,
): number | null {
  const own = quantity === 'R' ? guitar.rDcOhm.value : guitar.lH.value;
  const share = expectedReading({ kind: 'guitar', guitar, at: where }, quantity, frequencyHz) / own;
  return Number.isFinite(share) && share > 0 ? reading / share : null;
}
