import type { KeyGroup, Stage } from './stage';

/// What keys do, by stage.

export const PATH_KEYS: readonly KeyGroup[] = [
  {
    heading: 'Go',
    keys: [
      ['← →', 'along the way'],
      ['Home End', 'to the guitar, to the amp'],
      ['Enter', 'to the numbers of what is selected'],
      ['Esc', 'back, or give up what was typed'],
    ],
  },
  {
    heading: 'Switch',
    keys: [
      ['1 … 9, 0', 'switch pedal 1 … 10'],
      ['Space', 'switch the selected pedal'],
    ],
  },
  {
    heading: 'Change',
    keys: [
      ['↑ ↓  or  + −', 'selected cable longer, shorter (Shift: larger steps)'],
      ['Alt ← →', 'selected pedal one place on'],
      ['B', 'a buffer after the selection'],
      ['A', 'add a pedal after the selection'],
      ['Del', 'delete the selected pedal'],
    ],
  },
];

export const POWER_KEYS: readonly KeyGroup[] = [
  {
    heading: 'Go',
    keys: [
      ['↓ ↑', 'the next place on the delta, the one before'],
      ['I', 'to the choices of what is picked'],
      ['Esc', 'nothing picked'],
    ],
  },
  {
    heading: 'Change',
    keys: [
      ['Shift ↓ ↑', 'onto the next free outlet, the one before'],
      ['Del', 'off its outlet'],
      ['F', 'fixed, or free for proposals'],
      ['P', 'propose'],
    ],
  },
];

export const BOARD_KEYS: readonly KeyGroup[] = [
  {
    heading: 'Go',
    keys: [
      ['Page ↓ ↑  or  . ,', 'the next thing, the one before'],
      ['Enter', 'to the numbers of what is selected'],
      ['Esc', 'nothing selected'],
      ['Shift click, Ctrl A', 'several, all'],
      ['+ − 0', 'closer, farther, all of it'],
      ['F', 'from above, from below'],
    ],
  },
  {
    heading: 'Change',
    keys: [
      ['← → ↑ ↓', 'what is selected by 1 mm (Shift: 10 mm)'],
      ['Alt while dragging', 'rest at no edge'],
      ['R', 'a quarter turn'],
      ['Del', 'back into the cargo'],
    ],
  },
  {
    heading: 'Ask',
    keys: [
      ['G', 'arrange'],
      ['K', 'pin what is selected, or let it go'],
      ['W', 'where what is selected fits; with nothing selected, what fits'],
      ['S', 'what a swap of two costs'],
    ],
  },
];

export const LISTEN_KEYS: readonly KeyGroup[] = [
  {
    heading: 'Hear',
    keys: [
      ['Space', 'the music, on and off'],
      ['1 … 9, 0', 'voice 1 … 10, at the same instant'],
    ],
  },
  {
    heading: 'In a blind test',
    keys: [
      ['A  B', 'what is known'],
      ['X', 'the unknown'],
    ],
  },
];

export const TRACE_KEYS: readonly KeyGroup[] = [
  {
    heading: 'Answer',
    keys: [
      ['Y', 'yes'],
      ['N', 'no'],
      ['S', 'not sure'],
      ['⌫', 'take the last one back'],
    ],
  },
];

/** Keys that every stage of a rig has. */
const RIG_KEYS: KeyGroup = {
  heading: 'Take back',
  keys: [
    ['Ctrl/⌘ Z', 'undo'],
    ['Ctrl/⌘ Shift Z', 'redo'],
  ],
};

/** Keys that every stage has. */
const COMMON_KEYS: KeyGroup = {
  heading: 'See',
  keys: [
    ['U', 'metres or feet'],
    ['N', 'day or night'],
    ['?', 'this help'],
  ],
};

/** Whether a stage has a use of its own for a key that every stage has: then that is what it does there. */
export const isTaken = ({ keys }: Pick<Stage, 'keys'>, key: string): boolean =>
  keys.some((group) => group.keys.some(([own]) => own.toLowerCase() === key));

export const keysOf = (stage: Stage): readonly KeyGroup[] => [
  ...stage.keys,
  ...(stage.rail === 'rig' ? [RIG_KEYS] : []),
  {
    ...COMMON_KEYS,
    keys: COMMON_KEYS.keys.filter(([key]) => !isTaken(stage, key.toLowerCase())),
  },
];
