/** Windows of one browser tell each other of saves, so that none shows an old rig for long. */
export interface SavedElsewhere {
  readonly rigId: string;
  readonly revision: number;
}

const CHANNEL = 'gullwind-saves';

let channel: BroadcastChannel | null = null;
const open = () => (channel ??= new BroadcastChannel(CHANNEL));

export function tellOtherWindows(save: SavedElsewhere): void {
  open().postMessage(save);
}

/** Calls back on each save of another window; returns what stops it. */
export function hearOtherWindows(heard: (save: SavedElsewhere) => void): () => void {
  const listen = ({ data }: MessageEvent<SavedElsewhere>) => heard(data);
  open().addEventListener('message', listen);
  return () => open().removeEventListener('message', listen);
}
