export { DiPage } from './DiPage';
export { SpeakerPage } from './SpeakerPage';
