import type { FaultName } from './faultKinds';
import type { TraceSuspect } from './suspects';

/// What helps against what, with the caution of the work and a test that proves it.

export interface TraceRemedy {
  readonly does: string;
  readonly minutes: number;
  readonly caution: string;
  /** What shows that it helped. */
  readonly proof: string;
  /** What is still to be done at the bench; null where it is done with this. */
  readonly task: string | null;
}

const SOLDER = 'Solder and iron burn, and fumes want air. Cut away from the hand that holds.';
const CLOSED =
  'Never inside a mains supply or a tube amp: lethal voltages stay when it is unplugged. A qualified technician opens it.';
const POLARITY = 'Voltage and polarity at the plug before it goes in. Bare ends are insulated.';
const NONE = '';
const SAME = 'Play what showed it, for two minutes, and move everything once.';

/** What it is done with: the name of the part, as in a sentence. */
type Says = (name: string) => string;
interface Rule {
  readonly does: Says;
  readonly minutes: number;
  readonly caution?: string;
  readonly proof?: string;
  readonly task?: Says;
}

const again: Says = (name) => `Make or mend ${name}, and test it`;
const spare: Rule = {
  does: (name) => `Put a spare in the place of ${name}, and mark the old one.`,
  minutes: 1.5,
  caution: SOLDER,
  task: again,
};
const lookAt = (task: Says): Pick<Rule, 'task'> => ({ task });

const RULES: Readonly<Record<FaultName, Rule>> = {
  volumeDown: { does: () => 'Turn volume and tone up.', minutes: 0.2 },
  coilHum: {
    does: () =>
      'Turn to where it is quietest and stay there; step back from amp and transformers. That hum belongs to a single coil: a humbucking switch position takes it away, and with it some of the sound.',
    minutes: 0.5,
    proof:
      'At the quietest angle it is as loud as the guitar alone through one good cable. That is as good as it gets.',
  },
  stringGround: {
    does: () =>
      'Hands on the strings must not change the hum. Until it is mended, play with the volume closed between songs.',
    minutes: 1,
    caution: SOLDER,
    ...lookAt((name) => `Solder the ground wire of ${name} to its bridge`),
  },
  guitarJack: {
    does: () => 'Tighten the nut of the jack by hand without turning the jack itself.',
    minutes: 2,
    caution: SOLDER,
    ...lookAt((name) => `Clean, bend or replace the jack of ${name}`),
  },
  scratchyPot: {
    does: () => 'Turn the pot from end to end twenty times.',
    minutes: 1,
    ...lookAt((name) => `Clean or replace the pots of ${name}`),
  },
  microphonicPickup: {
    does: () => 'A step away from the amp, less gain, or the other pickup.',
    minutes: 0.5,
    ...lookAt((name) => `Wax or damp the pickup of ${name}`),
  },
  deadPickup: {
    does: () => 'Another pickup for tonight; a fresh battery if it has one.',
    minutes: 2,
    ...lookAt((name) => `Measure the pickups of ${name} and mend the dead one`),
  },
  open: spare,
  sleeveOpen: spare,
  short: spare,
  leak: spare,
  joint: spare,
  microphonic: { ...spare, task: (name) => `Replace ${name} by a cable with a quiet dielectric` },
  otherCable: { ...spare, task: (name) => `Measure ${name} and enter what it has` },
  besideMains: {
    does: (name) => `Lay ${name} a hand away from mains and supplies, crossing at right angles.`,
    minutes: 1,
    ...lookAt((name) => `Lay and tie ${name} apart from power`),
  },
  muted: { does: (name) => `Switch ${name} off, or move it to its toe.`, minutes: 0.2 },
  dead: {
    does: (name) => `Leave ${name} off, or bridge it by a patch.`,
    minutes: 1.5,
    caution: NONE,
    ...lookAt((name) => `Mend ${name}, or have it mended`),
  },
  bypassBad: {
    does: (name) => `Bridge ${name} by a patch for tonight.`,
    minutes: 1.5,
    caution: SOLDER,
    ...lookAt((name) => `Replace the foot-switch of ${name}`),
  },
  jackLoose: {
    does: (name) => `Tighten the nuts of ${name} by hand and push the plugs home.`,
    minutes: 1.5,
    caution: SOLDER,
    ...lookAt((name) => `Clean or replace the jacks of ${name}`),
  },
  noisy: {
    does: (name) => `Less gain on ${name}, or off when it is not needed.`,
    minutes: 0.5,
    ...lookAt((name) => `Compare ${name} with another of its kind`),
  },
  muchGain: {
    does: (name) => `Less gain on ${name}; a gate after it if it must stay.`,
    minutes: 0.5,
  },
  detects: {
    does: (name) => `Transmitters away from the board, and a short cable into ${name}.`,
    minutes: 1,
    ...lookAt((name) => `A buffer or a ferrite before ${name}`),
  },
  popsItself: {
    does: (name) => `Switch ${name} with the volume down; twice, and it is often gone.`,
    minutes: 0.5,
    caution: SOLDER,
    ...lookAt((name) => `Pull-down resistors in ${name}, or have it looked at`),
  },
  loads: {
    does: (name) => `Take ${name} out for tonight, or stand a buffer before it.`,
    minutes: 2,
    ...lookAt((name) => `Look in Plans at what ${name} does while it is off`),
  },
  fightsNext: {
    does: (name) =>
      `Only one of the two on at a time; or another pedal between ${name} and the fuzz.`,
    minutes: 1,
    ...lookAt((name) => `A buffer after ${name}, or the other order`),
  },
  noPower: {
    does: () => 'Another DC cable, or another outlet of the same kind.',
    minutes: 1.5,
    caution: POLARITY,
    ...lookAt((name) => `Make the DC cable for ${name} again`),
  },
  loosePower: {
    does: () => 'Push the plug home and tie the cable so that nothing pulls at it.',
    minutes: 1,
    caution: POLARITY,
    ...lookAt((name) => `New DC plug for ${name}`),
  },
  sharedNoise: {
    does: () => 'An outlet of its own, isolated; or a battery for tonight.',
    minutes: 2,
    caution: POLARITY,
    ...lookAt((name) => `Hang ${name} on an isolated outlet`),
  },
  supplyDead: {
    does: () => 'The spare supply, or batteries for what must sound.',
    minutes: 4,
    caution: CLOSED,
    ...lookAt((name) => `Have ${name} looked at by a technician, closed until then`),
  },
  supplyHum: {
    does: () =>
      'Move pedals to another supply until it is under its line, and keep it away from coils.',
    minutes: 3,
    caution: CLOSED,
    ...lookAt((name) => `Lighten ${name}, or replace it`),
  },
  groundLoop: {
    does: () =>
      'Isolate the audio between board and amp by a transformer, or feed both from one socket. The safety earth stays where it is, always.',
    minutes: 3,
    caution:
      'A safety earth is never lifted to cure hum. Stage mains follow local electrical codes.',
    ...lookAt(() => 'An isolating transformer on the way to the amp'),
  },
  ampInput: {
    does: () => 'The other input or channel; the plug pushed home and turned.',
    minutes: 1,
    caution: CLOSED,
    ...lookAt((name) => `Have the input of ${name} cleaned by a technician`),
  },
  ampNoise: {
    does: () => 'Another channel, less gain; another amp if it must be quiet.',
    minutes: 2,
    caution: CLOSED,
    ...lookAt((name) => `Have ${name} looked at by a technician`),
  },
  ampTired: {
    does: () => 'Another amp for tonight.',
    minutes: 5,
    caution: CLOSED,
    ...lookAt((name) => `Have ${name} looked at by a technician`),
  },
  ampLoopJack: {
    does: () =>
      'Push a plug in and out of the return ten times, or leave a patch from send to return.',
    minutes: 1.5,
    caution: CLOSED,
    ...lookAt((name) => `Have the loop jacks of ${name} cleaned`),
  },
  nearTransformer: {
    does: () => 'Leave the amp where it is quiet, and mark the place.',
    minutes: 1,
  },
  lamp: {
    does: () => 'Dimmers at full or off for this song, another place, or a humbucking position.',
    minutes: 2,
    caution: 'Whoever looks after the lights does the switching.',
  },
  transmitter: {
    does: () => 'The transmitter stays three metres away; a shorter cable before the first buffer.',
    minutes: 1,
  },
  houseCircuit: {
    does: () => 'Amp and board on the circuit that was quiet, both on the same one.',
    minutes: 2,
    caution: 'Stage mains follow local electrical codes; the house does the switching.',
  },
};

/** What helps against a suspect. */
export function remedyFor({ fault, name }: Pick<TraceSuspect, 'fault' | 'name'>): TraceRemedy {
  const { does, minutes, caution = NONE, proof = SAME, task } = RULES[fault];
  return { does: does(name), minutes, caution, proof, task: task?.(name) ?? null };
}
