import wavefile from 'wavefile/dist/wavefile.js';

/// Sound as WAV: what comes in as samples of one channel, what goes out in 24 bit.

export interface Sound {
  readonly samples: Float32Array;
  readonly rate: number;
}

export const LEAST_RATE = 8000;
export const MOST_RATE = 96000;
/** Longer sounds are cut to this, s. */
export const LONGEST_SOUND_S = 60;

export type ReadSound =
  | {
      readonly kind: 'ok';
      readonly sound: Sound;
      readonly isCut: boolean;
      readonly wasStereo: boolean;
    }
  | { readonly kind: 'refused'; readonly message: string };

/** Reads a WAV of whole numbers or floats; the mean of its channels. */
export function readWav(bytes: Uint8Array): ReadSound {
  const refused = (message: string): ReadSound => ({ kind: 'refused', message });
  let file: InstanceType<typeof wavefile.WaveFile>;
  let channels: readonly Float64Array[];
  try {
    file = new wavefile.WaveFile(bytes);
    file.toBitDepth('64');
    const read = file.getSamples(false, Float64Array) as unknown;
    channels = (Array.isArray(read) ? read : [read]) as Float64Array[];
  } catch {
    return refused(
      'This is not a WAV file that can be read: whole numbers of 8 to 32 bits, or floats.',
    );
  }
  const { sampleRate } = file.fmt as { sampleRate: number };
  if (!(sampleRate >= LEAST_RATE && sampleRate <= MOST_RATE))
    return refused(
      `Its sample rate is ${sampleRate} Hz; it must be from ${LEAST_RATE} to ${MOST_RATE} Hz.`,
    );
  const whole = channels[0]?.length ?? 0;
  if (channels.length > 2)
    return refused(`It has ${channels.length} channels; it must have one or two.`);
  if (whole === 0) return refused('It holds no sound.');
  const length = Math.min(whole, Math.round(LONGEST_SOUND_S * sampleRate));
  const samples = Float32Array.from({ length }, (_, i) => {
    const sum = channels.reduce((total, channel) => total + channel[i]!, 0);
    return sum / channels.length;
  });
  if (samples.some((value) => !Number.isFinite(value)))
    return refused('It holds samples that are no numbers.');
  const sound = { samples, rate: sampleRate };
  return { kind: 'ok', sound, isCut: length < whole, wasStereo: channels.length === 2 };
}

const FULL_24 = 2 ** 23 - 1;

/** One channel in 24 bit; what is beyond full scale is held there. */
export function writeWav({ samples, rate }: Sound): Uint8Array {
  const file = new wavefile.WaveFile();
  const whole = Array.from(samples, (value) =>
    Math.round(Math.min(1, Math.max(-1, value)) * FULL_24),
  );
  file.fromScratch(1, rate, '24', whole);
  return file.toBuffer();
}
