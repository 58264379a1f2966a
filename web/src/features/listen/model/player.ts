import { CROSSFADE_S } from '@gullwind/core';

/// Plays voices that are all as long as each other, always all of them at once: what is heard is one of them, and a
/// change is a crossfade of 10 ms at the same instant of the music.

/** It starts quietly and comes up over this long, s: ears first. */
const FADE_IN_S = 0.8;
const QUIET = 0.08;

interface Line {
  readonly source: AudioBufferSourceNode;
  readonly gain: GainNode;
}

export interface Track {
  readonly id: string;
  readonly samples: Float32Array;
}

export class Player {
  private readonly context: AudioContext;
  private readonly out: GainNode;
  private lines = new Map<string, Line>();
  private tracks: readonly Track[] = [];
  private rate = 48_000;
  /** When the music began, in the time of the context; null while it is silent. */
  private began: number | null = null;
  private restedAt = 0;

  /** @param heard what is heard until something else is chosen */
  constructor(private heard: string) {
    this.context = new AudioContext();
    this.out = new GainNode(this.context, { gain: 0 });
    this.out.connect(this.context.destination);
  }

  get isPlaying(): boolean {
    return this.began !== null;
  }

  /** s into the music, which goes round. */
  get position(): number {
    if (this.began === null) return this.restedAt;
    return (this.context.currentTime - this.began) % this.duration;
  }

  get duration(): number {
    return (this.tracks[0]?.samples.length ?? 1) / this.rate;
  }

  /** Other voices; what plays goes on at the same place, from the old ones into the new ones without a click. */
  load(tracks: readonly Track[], rate: number): void {
    const at = this.position;
    const wasPlaying = this.isPlaying;
    this.end();
    this.tracks = tracks;
    this.rate = rate;
    this.restedAt = at % this.duration;
    if (wasPlaying) this.begin();
  }

  async play(): Promise<void> {
    if (this.isPlaying || this.tracks.length === 0) return;
    await this.context.resume();
    this.begin();
    const now = this.context.currentTime;
    const { gain } = this.out;
    gain.cancelScheduledValues(now);
    gain.setValueAtTime(QUIET, now);
    gain.linearRampToValueAtTime(1, now + FADE_IN_S);
  }

  pause(): void {
    if (!this.isPlaying) return;
    this.restedAt = this.position;
    this.end();
  }

  /** What is heard from now on. */
  hear(id: string): void {
    this.heard = id;
    const now = this.context.currentTime;
    for (const [one, { gain }] of this.lines) {
      const { gain: level } = gain;
      level.cancelScheduledValues(now);
      level.setValueAtTime(level.value, now);
      level.linearRampToValueAtTime(one === id ? 1 : 0, now + CROSSFADE_S);
    }
  }

  /** Goes to a place in the music, s. */
  seek(at: number): void {
    const wasPlaying = this.isPlaying;
    this.end();
    this.restedAt = Math.max(0, at) % this.duration;
    if (wasPlaying) this.begin();
  }

  close(): void {
    this.end();
    void this.context.close();
  }

  private begin(): void {
    const now = this.context.currentTime;
    for (const { id, samples } of this.tracks) this.lines.set(id, this.lineOf(id, samples, now));
    this.began = now - this.restedAt;
  }

  private lineOf(id: string, samples: Float32Array, now: number): Line {
    const buffer = this.context.createBuffer(1, samples.length, this.rate);
    buffer.copyToChannel(samples as Float32Array<ArrayBuffer>, 0);
    const source = new AudioBufferSourceNode(this.context, { buffer, loop: true });
    const gain = new GainNode(this.context, { gain: 0 });
    gain.gain.setValueAtTime(0, now);
    gain.gain.linearRampToValueAtTime(id === this.heard ? 1 : 0, now + CROSSFADE_S);
    source.connect(gain).connect(this.out);
    source.start(now, this.restedAt);
    return { source, gain };
  }

  /** All voices fade within a crossfade, and end. */
  private end(): void {
    const now = this.context.currentTime;
    for (const { source, gain } of this.lines.values()) {
      gain.gain.cancelScheduledValues(now);
      gain.gain.setValueAtTime(gain.gain.value, now);
      gain.gain.linearRampToValueAtTime(0, now + CROSSFADE_S);
      source.stop(now + CROSSFADE_S);
    }
    this.lines = new Map();
    this.began = null;
  }
}
