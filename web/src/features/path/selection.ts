import type { Rig } from '@gullwind/core';

/** What is selected on the path page, as it stands in the address: "guitar", "amp", a device or lead id. */
export type Selection =
  | { readonly kind: 'guitar' | 'amp'; readonly index: 0 }
  | { readonly kind: 'device' | 'lead'; readonly index: number };

export const GUITAR_SELECTED: Selection = { kind: 'guitar', index: 0 };

export function readSelection(rig: Rig, at: string | null): Selection {
  if (at === 'amp') return { kind: 'amp', index: 0 };
  const device = rig.devices.findIndex(({ id }) => id === at);
  if (device >= 0) return { kind: 'device', index: device };
  const lead = rig.leads.findIndex(({ id }) => id === at);
  return lead >= 0 ? { kind: 'lead', index: lead } : GUITAR_SELECTED;
}

export function writeSelection(rig: Rig, { kind, index }: Selection): string {
  if (kind === 'device') return rig.devices[index]?.id ?? 'guitar';
  if (kind === 'lead') return rig.leads[index]?.id ?? 'guitar';
  return kind;
}

export const isSame = (a: Selection, b: Selection): boolean =>
  a.kind === b.kind && a.index === b.index;

/** Everything on the way, in order: guitar, lead, device, lead, …, amp. */
export function wayStops(rig: Rig): readonly Selection[] {
  const middle = rig.leads.flatMap((_, index): Selection[] =>
    index < rig.devices.length
      ? [
          { kind: 'lead', index },
          { kind: 'device', index },
        ]
      : [{ kind: 'lead', index }],
  );
  return [GUITAR_SELECTED, ...middle, { kind: 'amp', index: 0 }];
}

/** The stop `by` places further along the way, held at both ends. */
export function stepSelection(rig: Rig, from: Selection, by: number): Selection {
  const stops = wayStops(rig);
  const at = stops.findIndex((stop) => isSame(stop, from));
  return stops[Math.min(stops.length - 1, Math.max(0, at + by))]!;
}

/** The gap in which a device put "behind the selection" goes: the place of `leads[gap]`. */
export function gapBehind(rig: Rig, { kind, index }: Selection): number {
  switch (kind) {
    case 'guitar':
      return 0;
    case 'lead':
      return index;
    case 'device':
      return index + 1;
    case 'amp':
      return rig.devices.length;
  }
}
