import type { BuildWays } from '../rig';
import type { BuildCable } from './cableList';

/// How a cable gets its plugs: lengths, order, what goes wrong.

export interface Guide {
  readonly strip: string;
  readonly order: readonly string[];
  readonly wrong: readonly string[];
  readonly cautions: readonly string[];
}

const SOLDERED: Guide = {
  strip: 'Jacket 14 mm, screen twisted to one side, conductive layer back 6 mm, core 4 mm.',
  order: [
    'Thread the body and the insulator on, at both ends, before the second end is soldered.',
    'Tin the core and the screen; a short touch, not a bath.',
    'Core to the tip, screen to the sleeve lug; let it cool without moving it.',
    'Close the strain relief on the jacket, not on the core.',
    'Insulator over the joint, body on.',
  ],
  wrong: [
    'The body is still on the bench when the second end is done.',
    'The conductive layer touches the core: it leaks, and no beeper tells.',
    'A strand of the screen lies across to the tip.',
    'The core is nicked: it breaks at the first pull.',
  ],
  cautions: [
    'Iron at 350 °C, in its stand; air for the fumes; eyes covered when ends are clipped.',
    'Cut away from the hand that holds.',
  ],
};

const SCREWED: Guide = {
  strip: 'Cut square, nothing stripped where the plug pierces; else jacket 8 mm, core 5 mm.',
  order: [
    'Thread the body on first.',
    'Push the cable in to the stop and hold it there.',
    'Screw or cap down until the tip is through; not further.',
    'Body on.',
  ],
  wrong: [
    'The point of the screw goes beside the core.',
    'It is too tight and cuts the core, or too loose and works out: check it before every run.',
    'The end is not cut square: the screen reaches the tip.',
  ],
  cautions: ['Cut away from the hand that holds.'],
};

const DC: Guide = {
  strip: 'Outer 12 mm, both conductors 5 mm.',
  order: [
    'The moulded plug stays at the pedal; the new one goes on at the supply.',
    'Body on first; find which conductor is the middle with the meter, not by its colour.',
    'Middle to the middle as the supply has it, other to the sleeve.',
    'Heat-shrink over each conductor, then over both.',
  ],
  wrong: [
    'The poles are the wrong way round: test it before any pedal is plugged in.',
    'A bare strand shorts when it bends.',
  ],
  cautions: [
    'Not under power. Mains parts stay closed.',
    'Iron at 350 °C, in its stand; air for the fumes.',
  ],
};

/** For one cable as this workshop makes it. */
export function guideFor({ kind }: Pick<BuildCable, 'kind'>, ways: BuildWays): Guide {
  if (kind === 'dc') return DC;
  const guide = ways.joints === 'soldered' ? SOLDERED : SCREWED;
  return ways.strand === 'solid'
    ? {
        ...guide,
        wrong: [...guide.wrong, 'A solid core is bent twice at the same place: it breaks.'],
      }
    : guide;
}

/** What the layers of a cable are for. */
export const LAYERS: readonly (readonly [string, string])[] = [
  ['core', 'carries the signal'],
  ['insulation', 'keeps the screen away from it: its thickness is most of the capacitance'],
  ['conductive layer', 'takes up what rubbing makes audible; must not touch the core'],
  ['screen', 'keeps noise out and is the way back'],
  ['jacket', 'takes the pull and the feet'],
];
