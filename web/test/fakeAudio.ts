/// An audio context whose clock a test turns: gains by the rules of `AudioParam`, sources that begin and end.

type Point = { readonly at: number; readonly value: number; readonly isRamp: boolean };

class Param {
  private points: Point[];

  constructor(
    private readonly clock: () => number,
    value: number,
  ) {
    this.points = [{ at: 0, value, isRamp: false }];
  }

  /** What it is at a moment, s: after what was set, on the way to what it ramps to. */
  at(moment: number): number {
    const next = this.points.find(({ at }) => at > moment);
    const before = this.points.findLast(({ at }) => at <= moment)!;
    if (!next?.isRamp) return before.value;
    const share = (moment - before.at) / (next.at - before.at);
    return before.value + share * (next.value - before.value);
  }

  get value(): number {
    return this.at(this.clock());
  }

  setValueAtTime(value: number, at: number): void {
    this.points.push({ at, value, isRamp: false });
  }

  linearRampToValueAtTime(value: number, at: number): void {
    this.points.push({ at, value, isRamp: true });
  }

  cancelScheduledValues(from: number): void {
    this.points = this.points.filter(({ at }) => at < from || at === 0);
  }
}

export class FakeContext {
  static last: FakeContext;
  currentTime = 0;
  isClosed = false;
  readonly destination = {};
  readonly sources: FakeSource[] = [];

  constructor() {
    FakeContext.last = this;
  }

  resume = () => Promise.resolve();

  close(): Promise<void> {
    this.isClosed = true;
    return Promise.resolve();
  }

  createBuffer(_channels: number, length: number, rate: number) {
    const samples = new Float32Array(length);
    return { samples, rate, copyToChannel: (from: Float32Array) => samples.set(from) };
  }

  /** What comes out at a moment, before the volume of all of it. */
  heardAt(moment: number): number {
    return this.sources.reduce((sum, source) => sum + source.at(moment), 0);
  }
}

interface Buffer {
  readonly samples: Float32Array;
  readonly rate: number;
}

export class FakeGain {
  static readonly all: FakeGain[] = [];
  readonly gain: Param;

  constructor(
    readonly of: FakeContext,
    { gain }: { readonly gain: number },
  ) {
    FakeGain.all.push(this);
    this.gain = new Param(() => of.currentTime, gain);
  }

  connect = (to: unknown) => to;
}

export class FakeSource {
  private begins = Infinity;
  private ends = Infinity;
  private offset = 0;
  private through: FakeGain | null = null;

  constructor(
    context: FakeContext,
    readonly options: { readonly buffer: Buffer; readonly loop: boolean },
  ) {
    context.sources.push(this);
  }

  connect(to: FakeGain): FakeGain {
    this.through = to;
    return to;
  }

  start(at: number, offset: number): void {
    [this.begins, this.offset] = [at, offset];
  }

  stop(at: number): void {
    this.ends = at;
  }

  at(moment: number): number {
    const { samples, rate } = this.options.buffer;
    if (moment < this.begins || moment >= this.ends || !this.through) return 0;
    const i = Math.floor((moment - this.begins + this.offset) * rate + 1e-6) % samples.length;
    return samples[i]! * this.through.gain.at(moment);
  }
}

/** Puts them in the place of the browser's. */
export const fakeAudio = (): void =>
  void Object.assign(globalThis, {
    AudioContext: FakeContext,
    GainNode: FakeGain,
    AudioBufferSourceNode: FakeSource,
  });
