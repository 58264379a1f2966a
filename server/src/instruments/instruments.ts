import {
  readTruthAnswer,
  type Instrument,
  type MeterAnswer,
  type MeterQuestion,
  type SweepAnswer,
  type SweepQuestion,
  type TruthAnswer,
  type ConnectedThing,
} from '@gullwind/contract';
import { KnownError } from '../errors';
import {
  InstrumentFailure,
  LineClient,
  type InstrumentAddress,
  type LineLimits,
} from './lineClient';

/** How a meter is told what to read: in the words that most of them share. */
const FUNCTIONS = { Cp: 'CPD', Ls: 'LSRS', Lp: 'LPRP', R: 'DCR' } as const;
/** What the simulated ones are called: everything that comes from them is marked. */
const SIMULATED = /simulated/iu;
/** 2σ of the simulated meter. */
const SIMULATED_SHARE = 0.003;
const MOST_ERRORS = 20;
/** So many wait for one instrument, the one that it talks to included. */
const MOST_WAITING = 4;
const LONGEST_NAME = 200;

interface Named {
  readonly id: string;
  readonly kind: Instrument['kind'];
  readonly address: InstrumentAddress;
}

/** The instruments of the command line: nothing else is ever connected to. One conversation at a time with each. */
export class Instruments {
  private readonly named: readonly Named[];
  private readonly busy = new Map<string, Promise<unknown>>();
  private readonly waiting = new Map<string, number>();

  constructor(
    meters: readonly InstrumentAddress[],
    sweeps: readonly InstrumentAddress[],
    private readonly limits?: LineLimits,
  ) {
    const name = (kind: Instrument['kind']) => (address: InstrumentAddress, i: number) => ({
      id: i === 0 ? kind : `${kind}-${i + 1}`,
      kind,
      address,
    });
    this.named = [...meters.map(name('meter')), ...sweeps.map(name('sweep'))];
  }

  list(): Promise<readonly Instrument[]> {
    return Promise.all(this.named.map((one) => this.look(one)));
  }

  async measure(id: string, question: MeterQuestion): Promise<MeterAnswer> {
    const { quantity, frequencyHz, isOpenCorrected, connected } = question;
    return this.converse(this.find(id, 'meter'), async (client) => {
      const instrument = await nameOf(client);
      const isSimulated = SIMULATED.test(instrument);
      client.tell('*CLS');
      if (isSimulated) client.tell(`:SIM:CONN ${JSON.stringify(connected)}`);
      client.tell(`:FUNC:IMP ${FUNCTIONS[quantity]}`);
      if (quantity !== 'R') client.tell(`:FREQ ${frequencyHz}`);
      client.tell(`:CORR:OPEN:STAT ${isOpenCorrected ? 'ON' : 'OFF'}`);
      const values: number[] = [];
      for (let i = 0; i < question.readings; i++)
        values.push(readNumber(await client.ask(':FETC?')));
      await noErrors(client);
      return { instrument, isSimulated, values, uncertainty: isSimulated ? SIMULATED_SHARE : null };
    });
  }

  async sweep(
    id: string,
    { fromHz, toHz, points, connected }: SweepQuestion,
  ): Promise<SweepAnswer> {
    return this.converse(this.find(id, 'sweep'), async (client) => {
      const instrument = await nameOf(client);
      const isSimulated = SIMULATED.test(instrument);
      client.tell('*CLS');
      if (isSimulated) client.tell(`:SIM:CONN ${JSON.stringify(sweptOf(connected))}`);
      client.tell(`:SWE:FREQ:STAR ${fromHz}`);
      client.tell(`:SWE:FREQ:STOP ${toHz}`);
      client.tell(`:SWE:POIN ${points}`);
      client.tell(':INIT');
      const frequencyHz = readNumbers(await client.ask(':CALC:DATA:FREQ?'));
      const levelDb = readNumbers(await client.ask(':CALC:DATA:MLOG?'));
      await noErrors(client);
      if (frequencyHz.length > points)
        throw new InstrumentFailure(
          `It sends ${frequencyHz.length} points; ${points} were asked for.`,
        );
      if (frequencyHz.length !== levelDb.length)
        throw new InstrumentFailure(
          `It sends ${levelDb.length} levels for ${frequencyHz.length} frequencies.`,
        );
      return { instrument, isSimulated, frequencyHz, levelDb };
    });
  }

  async truth(id: string, connected: ConnectedThing): Promise<TruthAnswer> {
    return this.converse(this.find(id, 'meter'), async (client) => {
      if (!SIMULATED.test(await nameOf(client)))
        throw new InstrumentFailure('It is a real one: nothing is hidden in it.');
      client.tell(`:SIM:CONN ${JSON.stringify(connected)}`);
      const read = readTruthAnswer(JSON.parse(await client.ask(':SIM:TRUTH?')));
      await noErrors(client);
      if (read.kind === 'refused')
        throw new InstrumentFailure('It tells what no simulated instrument hides.');
      return read.value;
    });
  }

  private async look({ id, kind, address }: Named): Promise<Instrument> {
    try {
      const name = await this.alone(id, () => talk(address, this.limits, nameOf));
      return { id, kind, name, isSimulated: SIMULATED.test(name), isReachable: true, problem: '' };
    } catch (error) {
      const problem = `The ${kind} at ${address.host}:${address.port}: ${sayWhy(error)}`;
      return { id, kind, name: '', isSimulated: false, isReachable: false, problem };
    }
  }

  private find(id: string, kind: Instrument['kind']): Named {
    const found = this.named.find((one) => one.id === id && one.kind === kind);
    if (!found)
      throw new KnownError(
        'instrument-not-found',
        `The server was started without a ${kind} “${id}”.`,
      );
    return found;
  }

  private async converse<T>(
    { id, kind, address }: Named,
    say: (client: LineClient) => Promise<T>,
  ): Promise<T> {
    try {
      return await this.alone(id, () => talk(address, this.limits, say));
    } catch (error) {
      if (error instanceof KnownError) throw error;
      throw new KnownError('instrument-failed', `The ${kind} (${id}): ${sayWhy(error)}`);
    }
  }

  /** After whatever is said to the same instrument; not behind more than a few who wait for it. */
  private alone<T>(id: string, talkNow: () => Promise<T>): Promise<T> {
    const waiting = this.waiting.get(id) ?? 0;
    if (waiting >= MOST_WAITING)
      return Promise.reject(
        new InstrumentFailure(`${waiting} others wait for it already. Ask again in a moment.`),
      );
    this.waiting.set(id, waiting + 1);
    const after = (this.busy.get(id) ?? Promise.resolve()).then(talkNow, talkNow);
    const isOver = () => this.waiting.set(id, this.waiting.get(id)! - 1);
    this.busy.set(id, after.then(isOver, isOver));
    return after;
  }
}

async function talk<T>(
  address: InstrumentAddress,
  limits: LineLimits | undefined,
  say: (client: LineClient) => Promise<T>,
): Promise<T> {
  const client = await LineClient.open(address, limits);
  try {
    return await say(client);
  } finally {
    client.close();
  }
}

const sayWhy = (error: unknown): string =>
  error instanceof InstrumentFailure
    ? error.message
    : `It answers what cannot be read (${(error as Error).message.slice(0, 100)}).`;

/** What it calls itself, as far as that is kept. */
const nameOf = async (client: LineClient): Promise<string> =>
  (await client.ask('*IDN?')).slice(0, LONGEST_NAME);

/** The first of the parts that a line has: value, loss, state. */
function readNumber(line: string): number {
  const [first = ''] = line.split(',');
  const value = Number(first);
  if (first.trim() === '' || !Number.isFinite(value))
    throw new InstrumentFailure(`It answers “${line.slice(0, 60)}” in the place of a number.`);
  return value;
}

const readNumbers = (line: string): number[] => line.split(',').map((part) => readNumber(part));

/** The error queue, to its end. */
async function noErrors(client: LineClient): Promise<void> {
  const said: string[] = [];
  for (let i = 0; i < MOST_ERRORS; i++) {
    const line = await client.ask(':SYST:ERR?');
    if (/^[+-]?0\b/u.test(line)) break;
    said.push(line.slice(0, 80));
  }
  if (said.length > 0) throw new InstrumentFailure(`It reports: ${said.join('; ')}.`);
}

/** What a simulated sweep has to know of a rig. */
function sweptOf(connected: SweepQuestion['connected']): object {
  if (connected.kind === 'pickup') return connected;
  const { rig, ...rest } = connected;
  return { ...rest, chain: { electrical: rig.electrical, state: rig.state } };
}
