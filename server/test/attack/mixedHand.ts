import { randomUUID } from 'node:crypto';
import type { WorkspacePart } from '@gullwind/contract';
import { newRig } from '@gullwind/core';
import sharp from 'sharp';
import { DEMO_GEAR } from '../../src/demo/demoGear';
import { DONE, TEST } from '../support/benchWork';
import { ANSWERED, HUNTED } from '../support/hunted';
import { HEARD, MEASURED } from '../support/measured';
import type { Target } from './target';

/** One write: what is kept by it is found in a backup under its key, with its value. */
interface Write {
  readonly key: string;
  readonly value: string;
  readonly method: 'POST' | 'PUT';
  readonly path: string;
  readonly body: unknown;
}

const offCut = { name: 'Reel', gear: null, lengthM: 0.4, note: '' };

/** Every kind of record that is made at a bench, one after the other; each is another one each time. */
const WRITES: readonly ((rig: string, hunt: string, nth: number) => Write | Promise<Write>)[] = [
  (rig, _, nth) => {
    const step = `cut l${nth}`;
    const body = { ticks: [{ ...DONE, step }] };
    return { key: `done ${step}`, value: '', method: 'PUT', path: `rigs/${rig}/done`, body };
  },
  (rig) => put('test', (id) => `rigs/${rig}/tests/${id}`, TEST),
  () => put('offCut', (id) => `off-cuts/${id}`, offCut),
  () => put('measurement', (id) => `measurements/${id}`, MEASURED),
  () => put('hearing', (id) => `hearings/${id}`, HEARD),
  (_rig, hunt) => put('answer', (id) => `hunts/${hunt}/answers/${id}`, ANSWERED),
  (_rig, _hunt, nth) => {
    const id = `own-${nth}`;
    const body = { items: [{ ...DEMO_GEAR[0], id }] };
    return { key: `gear ${id}`, value: '', method: 'POST', path: 'gear', body };
  },
  async (rig, _, nth) => {
    // Each picture is as wide as no other.
    const width = 64 + (nth % 1900);
    const size = { width, height: 60, channels: 3 as const, background: '#884422' };
    const body = await sharp({ create: size }).jpeg().toBuffer();
    const key = `photo ${rig}`;
    return { key, value: String(width), method: 'PUT', path: `rigs/${rig}/photo`, body };
  },
];

function put(kind: string, path: (id: string) => string, body: unknown): Write {
  const id = randomUUID();
  return { key: `${kind} ${id}`, value: '', method: 'PUT', path: path(id), body };
}

/** What is kept, by key, as a backup of the target says it. */
export async function keptOn(target: Target): Promise<ReadonlyMap<string, string>> {
  const answer = await fetch(new URL('api/workspace', target.url));
  const text = await answer.text();
  if (!answer.ok) throw new Error(`There is no backup: ${text}`);
  const kept = new Map<string, string>();
  for (const line of text.trimEnd().split('\n').slice(1, -1))
    for (const [key, value] of await keysOf(JSON.parse(line) as WorkspacePart))
      kept.set(key, value);
  return kept;
}

async function keysOf(part: WorkspacePart): Promise<readonly (readonly [string, string])[]> {
  switch (part.kind) {
    case 'rig':
      return [[`rig ${part.id}`, JSON.stringify(part.document)]];
    case 'done':
      return [[`done ${part.done.step}`, '']];
    case 'test':
      return [[`test ${part.test.id}`, '']];
    case 'gear':
      return [[`gear ${part.item.id}`, '']];
    case 'offCut':
      return [[`offCut ${part.offCut.id}`, '']];
    case 'measurement':
      return [[`measurement ${part.measurement.id}`, '']];
    case 'hearing':
      return [[`hearing ${part.hearing.id}`, '']];
    case 'hunt':
      return [
        [`hunt ${part.hunt.id}`, ''],
        ...part.hunt.answers.map(({ id }) => [`answer ${id}`, ''] as const),
      ];
    case 'photo': {
      const { width } = await sharp(Buffer.from(part.photo.picture, 'base64')).metadata();
      return [[`photo ${part.rig}`, String(width)]];
    }
    default:
      return [];
  }
}

/** Somebody at a bench, who writes everything but rigs. */
export class MixedHand {
  private readonly rig = randomUUID();
  private readonly hunt = randomUUID();
  private readonly known = new Map<string, string>();
  /** Sent without an answer: each may be there or not. */
  private readonly inDoubt = new Map<string, string[]>();
  private turns = 0;
  saves = 0;
  lost = 0;

  constructor(private readonly target: Target) {}

  async begin(): Promise<void> {
    const { rig, hunt } = this;
    const document = newRig('on the bench');
    for (const [key, method, path, body] of [
      [`rig ${rig}`, 'POST', 'rigs', { id: rig, rig: document }],
      [`hunt ${hunt}`, 'PUT', `hunts/${hunt}`, HUNTED],
    ] as const)
      await this.write({ key, value: '', method, path, body });
    if (this.saves < 2) throw new Error('The bench could not be set up.');
  }

  async work(): Promise<void> {
    const nth = this.turns++;
    await this.write(await WRITES[nth % WRITES.length]!(this.rig, this.hunt, nth));
  }

  /** Everything that was acknowledged is kept, as it was or as it was sent after that. */
  check(kept: ReadonlyMap<string, string>): void {
    for (const [key, value] of this.known) {
      const found = kept.get(key);
      const isThere = found !== undefined && (value === '' || value === found);
      if (!isThere && !this.inDoubt.get(key)?.includes(found ?? 'nothing')) this.lost++;
    }
    for (const key of this.inDoubt.keys()) {
      const found = kept.get(key);
      if (found !== undefined) this.known.set(key, key.startsWith('photo') ? found : '');
    }
    this.inDoubt.clear();
  }

  private async write({ key, value, method, path, body }: Write): Promise<void> {
    this.inDoubt.set(key, [...(this.inDoubt.get(key) ?? []), value]);
    const isPicture = Buffer.isBuffer(body);
    const answer = await fetch(new URL(`api/${path}`, this.target.url), {
      method,
      headers: { 'Content-Type': isPicture ? 'image/jpeg' : 'application/json' },
      body: isPicture ? new Uint8Array(body) : JSON.stringify(body),
    });
    if (!answer.ok) throw new Error(`${method} ${path}: ${await answer.text()}`);
    await answer.arrayBuffer();
    this.inDoubt.delete(key);
    this.known.set(key, value);
    this.saves++;
  }
}
