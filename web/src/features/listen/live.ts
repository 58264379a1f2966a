/// A live input through a filter: the browser asks for it, and gives it only to pages that came by a safe way.

const FADE_IN_S = 0.8;
const FILTER_DELAY_MS = 10;
/** Live is quieter still: what comes in is not known. */
const LEVEL = 0.5;

export type OpenedLive =
  | { readonly kind: 'ok'; readonly input: LiveInput }
  | { readonly kind: 'refused'; readonly message: string };

export class LiveInput {
  private readonly filters = new Set<ConvolverNode>();

  private constructor(
    private readonly context: AudioContext,
    private readonly stream: MediaStream,
    private readonly source: MediaStreamAudioSourceNode,
    private readonly out: GainNode,
  ) {}

  static async open(): Promise<OpenedLive> {
    if (!globalThis.isSecureContext)
      return {
        kind: 'refused',
        message:
          'The browser gives a live input only to this machine’s own address or to one with TLS.',
      };
    try {
      const stream = await navigator.mediaDevices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
      });
      const context = new AudioContext({ latencyHint: 'interactive' });
      await context.resume();
      const source = context.createMediaStreamSource(stream);
      const out = new GainNode(context, { gain: 0 });
      out.connect(context.destination);
      out.gain.linearRampToValueAtTime(LEVEL, context.currentTime + FADE_IN_S);
      return { kind: 'ok', input: new LiveInput(context, stream, source, out) };
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      return { kind: 'refused', message: `There is no input: ${why}` };
    }
  }

  get rate(): number {
    return this.context.sampleRate;
  }

  /** From the string to the ear, as far as the browser knows. */
  get latencyMs(): number {
    const { baseLatency, outputLatency } = this.context;
    return 1000 * ((baseLatency || 0) + (outputLatency || 0)) + FILTER_DELAY_MS;
  }

  /** Another filter in the place of the one there is. */
  use(taps: Float32Array): void {
    const buffer = this.context.createBuffer(1, taps.length, this.rate);
    buffer.copyToChannel(taps as Float32Array<ArrayBuffer>, 0);
    const filter = new ConvolverNode(this.context, { buffer, disableNormalization: true });
    for (const old of this.filters) {
      this.source.disconnect(old);
      old.disconnect();
    }
    this.filters.clear();
    this.filters.add(filter);
    this.source.connect(filter).connect(this.out);
  }

  close(): void {
    for (const track of this.stream.getTracks()) track.stop();
    void this.context.close();
  }
}
