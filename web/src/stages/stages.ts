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
import { BOARD_KEYS, LISTEN_KEYS, PATH_KEYS, POWER_KEYS, TRACE_KEYS } from './keys';
import type { Stage } from './stage';

/** Every stage and tool, in the order of the rail: the stages of a rig in the order of the job. */
export const STAGES: readonly Stage[] = [
  {
    label: 'Rigs',
    icon: HomeRepairServiceOutlined,
    route: '/',
    guide: 'rigs',
    rail: 'workshop',
    keys: [],
    picture: 'rigs',
    journey: 'newUser',
  },
  {
    label: 'Brief',
    icon: ForumOutlined,
    route: '/rigs/:rigId/brief',
    guide: 'brief',
    rail: 'rig',
    keys: [],
    picture: 'brief',
    journey: 'brief',
  },
  {
    label: 'Path',
    icon: RouteOutlined,
    route: '/rigs/:rigId/path',
    guide: 'path',
    rail: 'rig',
    keys: PATH_KEYS,
    picture: 'path-dull',
    journey: 'firstStory',
  },
  {
    label: 'Plans',
    icon: AltRouteOutlined,
    route: '/rigs/:rigId/plans',
    guide: 'plans',
    rail: 'rig',
    keys: [],
    picture: 'plans',
    journey: 'plans',
  },
  {
    label: 'Board',
    icon: GridOnOutlined,
    route: '/rigs/:rigId/board',
    guide: 'board',
    rail: 'rig',
    keys: BOARD_KEYS,
    picture: 'board',
    journey: 'board',
  },
  {
    label: 'Power',
    icon: PowerOutlined,
    route: '/rigs/:rigId/power',
    guide: 'power',
    rail: 'rig',
    keys: POWER_KEYS,
    picture: 'power',
    journey: 'power',
  },
  {
    label: 'Build',
    icon: HandymanOutlined,
    route: '/rigs/:rigId/build',
    guide: 'build',
    rail: 'rig',
    keys: [],
    picture: 'build',
    journey: 'build',
  },
  {
    label: 'Bench',
    icon: TroubleshootOutlined,
    route: '/rigs/:rigId/bench',
    guide: 'bench',
    rail: 'rig',
    keys: [],
    picture: 'bench',
    journey: 'bench',
  },
  {
    label: 'Listen',
    icon: HearingOutlined,
    route: '/rigs/:rigId/listen',
    guide: 'listen',
    rail: 'rig',
    keys: LISTEN_KEYS,
    picture: 'listen',
    journey: 'listen',
  },
  {
    label: 'Trace',
    icon: TravelExploreOutlined,
    route: '/rigs/:rigId/trace',
    guide: 'trace',
    rail: 'rig',
    keys: TRACE_KEYS,
    picture: 'trace',
    journey: 'trace',
  },
  {
    label: 'Book',
    icon: MenuBookOutlined,
    route: '/rigs/:rigId/book',
    guide: 'book',
    rail: 'rig',
    keys: [],
    picture: 'book',
    journey: 'book',
  },
  {
    label: 'Trace without a rig',
    icon: TravelExploreOutlined,
    route: '/trace',
    guide: 'trace',
    rail: 'none',
    keys: TRACE_KEYS,
    picture: 'trace-free',
    journey: 'trace',
  },
  {
    label: 'Gear',
    icon: CableOutlined,
    route: '/gear',
    guide: 'gear',
    rail: 'workshop',
    keys: [],
    picture: 'gear',
    journey: 'library',
  },
  {
    label: 'Measure',
    icon: StraightenOutlined,
    route: '/bench',
    guide: 'measure',
    rail: 'workshop',
    keys: [],
    picture: 'measure',
    journey: 'bench',
  },
  {
    label: 'Which DI',
    icon: CallMergeOutlined,
    route: '/di',
    guide: 'which-di',
    rail: 'foot',
    keys: [],
    picture: 'which-di',
    journey: 'library',
  },
  {
    label: 'Speaker',
    icon: SpeakerOutlined,
    route: '/speaker',
    guide: 'speaker',
    rail: 'foot',
    keys: [],
    picture: 'speaker-cable',
    journey: 'library',
  },
  {
    label: 'Guide',
    icon: MenuBookOutlined,
    route: '/guide',
    guide: 'glossary',
    rail: 'none',
    keys: [],
    picture: 'guide',
    journey: 'guide',
  },
  {
    label: 'Settings',
    icon: SettingsOutlined,
    route: '/settings',
    guide: 'settings',
    rail: 'foot',
    keys: [],
    picture: 'settings',
    journey: 'everyView',
  },
];
