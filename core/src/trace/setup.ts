import { faultKind, type Act } from './faultKinds';
import type { TraceSuspect } from './suspects';

/// What is connected to what during a test, and whether a fault would be heard in it.

export interface Setup {
  /** Parts that the signal or the noise goes through. */
  readonly connected: ReadonlySet<string>;
  /** Devices that are switched off with the foot. */
  readonly switchedOff: ReadonlySet<string>;
  readonly acts: ReadonlySet<Act>;
  /** What an act concerns; null is all. */
  readonly actsOn: ReadonlySet<string> | null;
}

/**
 * How likely a fault shows its symptom in a setup, 0 to 1: 0 and 1 are certain.
 *
 * A fault of the audio shows while its part is connected; one of the power while a device is that hangs on it. What comes
 * in by the guitar needs the guitar. Everything else is a matter of what was done.
 */
export function heardIn(suspect: TraceSuspect, setup: Setup, guitar: string): number {
  const kind = faultKind(suspect.fault);
  if (!isConnected(suspect, setup)) return 0;
  if (kind.byGuitar && !setup.connected.has(guitar)) return 0;
  if (kind.whileOn && setup.switchedOff.has(suspect.part)) return 0;
  let heard = 1;
  for (const act of setup.acts) {
    if (!concerns(suspect, setup)) continue;
    heard *= 1 - (kind.goneBy?.[act] ?? 0);
  }
  return heard;
}

function isConnected({ fault, part, feeds }: TraceSuspect, { connected }: Setup): boolean {
  const { on } = faultKind(fault);
  if (on === 'room') return true;
  if (on === 'ground' && feeds.length === 0) return true;
  if (on === 'feed' || on === 'supply' || on === 'ground')
    return feeds.some((id) => connected.has(id));
  return connected.has(part);
}

const concerns = ({ part, feeds }: TraceSuspect, { actsOn }: Setup): boolean =>
  actsOn === null || actsOn.has(part) || (feeds.length === 1 && actsOn.has(feeds[0]!));
