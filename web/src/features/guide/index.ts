export { GuidePage } from './GuidePage';
export { GuideText } from './GuideText';
export type { GuideName } from './model/search';
