import AltRouteOutlined from '@mui/icons-material/AltRouteOutlined';
import CableOutlined from '@mui/icons-material/CableOutlined';
import CallMergeOutlined from '@mui/icons-material/CallMergeOutlined';
import ForumOutlined from '@mui/icons-material/ForumOutlined';
import GridOnOutlined from '@mui/icons-material/GridOnOutlined';
import HandymanOutlined from '@mui/icons-material/HandymanOutlined';
import HearingOutlined from '@mui/icons-material/HearingOutlined';
import HomeRepairServiceOutlined from '@mui/icons-material/HomeRepairServiceOutlined';
import MenuBookOutlined from '@mui/icons-material/MenuBookOutlined';
import RouteOutlined from '@mui/icons-material/RouteOutlined';
import PowerOutlined from '@mui/icons-material/PowerOutlined';
import StraightenOutlined from '@mui/icons-material/StraightenOutlined';
import TravelExploreOutlined from '@mui/icons-material/TravelExploreOutlined';
import TroubleshootOutlined from '@mui/icons-material/TroubleshootOutlined';
import SettingsOutlined from '@mui/icons-material/SettingsOutlined';
import SpeakerOutlined from '@mui/icons-material/SpeakerOutlined';
import type { KeyGroup, Stage } from './stage';

const PATH_KEYS: readonly KeyGroup[] = [
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

const POWER_KEYS: readonly KeyGroup[] = [
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

const BOARD_KEYS: readonly KeyGroup[] = [
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

const LISTEN_KEYS: readonly KeyGroup[] = [
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

const TRACE_KEYS: readonly KeyGroup[] = [
  {
    heading: 'Answer',
    keys: [
      ['Y  N', 'yes, no'],
      ['S', 'not sure'],
      ['⌫', 'take the last one back'],
    ],
  },
];

/** Every stage and tool, in the order of the rail: the stages of a rig in the order of the job. */
export const STAGES: readonly Stage[] = [
  {
    label: 'Rigs',
    icon: HomeRepairServiceOutlined,
    route: '/',
    rail: 'workshop',
    keys: [],
    picture: 'rigs',
    journey: 'newUser',
  },
  {
    label: 'Brief',
    icon: ForumOutlined,
    route: '/rigs/:rigId/brief',
    rail: 'rig',
    keys: [],
    picture: 'brief',
    journey: 'brief',
  },
  {
    label: 'Path',
    icon: RouteOutlined,
    route: '/rigs/:rigId/path',
    rail: 'rig',
    keys: PATH_KEYS,
    picture: 'path-dull',
    journey: 'firstStory',
  },
  {
    label: 'Plans',
    icon: AltRouteOutlined,
    route: '/rigs/:rigId/plans',
    rail: 'rig',
    keys: [],
    picture: 'plans',
    journey: 'plans',
  },
  {
    label: 'Board',
    icon: GridOnOutlined,
    route: '/rigs/:rigId/board',
    rail: 'rig',
    keys: BOARD_KEYS,
    picture: 'board',
    journey: 'board',
  },
  {
    label: 'Power',
    icon: PowerOutlined,
    route: '/rigs/:rigId/power',
    rail: 'rig',
    keys: POWER_KEYS,
    picture: 'power',
    journey: 'power',
  },
  {
    label: 'Build',
    icon: HandymanOutlined,
    route: '/rigs/:rigId/build',
    rail: 'rig',
    keys: [],
    picture: 'build',
    journey: 'build',
  },
  {
    label: 'Bench',
    icon: TroubleshootOutlined,
    route: '/rigs/:rigId/bench',
    rail: 'rig',
    keys: [],
    picture: 'bench',
    journey: 'bench',
  },
  {
    label: 'Listen',
    icon: HearingOutlined,
    route: '/rigs/:rigId/listen',
    rail: 'rig',
    keys: LISTEN_KEYS,
    picture: 'listen',
    journey: 'listen',
  },
  {
    label: 'Trace',
    icon: TravelExploreOutlined,
    route: '/rigs/:rigId/trace',
    rail: 'rig',
    keys: TRACE_KEYS,
    picture: 'trace',
    journey: 'trace',
  },
  {
    label: 'Book',
    icon: MenuBookOutlined,
    route: '/rigs/:rigId/book',
    rail: 'rig',
    keys: [],
    picture: 'book',
    journey: 'book',
  },
  {
    label: 'Trace',
    icon: TravelExploreOutlined,
    route: '/trace',
    rail: 'none',
    keys: TRACE_KEYS,
    picture: 'trace',
    journey: 'trace',
  },
  {
    label: 'Gear',
    icon: CableOutlined,
    route: '/gear',
    rail: 'workshop',
    keys: [],
    picture: 'gear',
    journey: 'library',
  },
  {
    label: 'Measure',
    icon: StraightenOutlined,
    route: '/bench',
    rail: 'workshop',
    keys: [],
    picture: 'measure',
    journey: 'bench',
  },
  {
    label: 'Which DI',
    icon: CallMergeOutlined,
    route: '/di',
    rail: 'foot',
    keys: [],
    picture: 'which-di',
    journey: 'library',
  },
  {
    label: 'Speaker',
    icon: SpeakerOutlined,
    route: '/speaker',
    rail: 'foot',
    keys: [],
    picture: 'speaker-cable',
    journey: 'library',
  },
  {
    label: 'Settings',
    icon: SettingsOutlined,
    route: '/settings',
    rail: 'foot',
    keys: [],
    picture: 'settings',
    journey: 'everyView',
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
    ['?', 'this list'],
  ],
};

export const keysOf = ({ keys, rail }: Stage): readonly KeyGroup[] => [
  ...keys,
  ...(rail === 'rig' ? [RIG_KEYS] : []),
  COMMON_KEYS,
];
