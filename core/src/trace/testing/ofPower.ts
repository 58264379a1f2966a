import { faultKind } from '../faultKinds';
import type { TraceSuspect } from '../suspects';
import { NOT_INSIDE, shown, still, type TraceTest, type Trying } from './test';

/// At the DC plugs.

const battery = (part: string, supply: string) => ({
  kind: 'battery' as const,
  minutes: 1,
  does: `Feed ${part} from a battery instead of ${supply}.`,
  hold: 'A battery clip of the right polarity; the DC plug insulated and out of the way.',
  caution: 'Voltage and polarity first. A bare clip is never left loose.',
});

const fedAlone = (part: string, supply: string) => ({
  kind: 'fedAlone' as const,
  minutes: 1.5,
  does: `Leave only ${part} on ${supply}, by its own outlet, the rest unplugged and bridged.`,
  hold: 'One DC plug at a time.',
  caution: NOT_INSIDE,
});

const meterPower = (part: string) => ({
  kind: 'meterPower' as const,
  minutes: 1.2,
  does: `Measure at the DC plug of ${part}, under load if you can, and move it.`,
  hold: 'One tip inside, one outside the plug; never bridge both.',
  asks: 'Is voltage or polarity wrong, or does it come and go?',
  caution: NOT_INSIDE,
});

export function* ofPower(trying: Trying): Generator<TraceTest> {
  for (const supply of trying.way.supplies)
    for (const { id, device, name, takesBattery } of supply.feeds) {
      const actsOn = new Set([device]);
      const alone = { ...fedAlone(name, supply.name), at: device };
      const byBattery = { ...battery(name, supply.name), at: device };
      if (takesBattery) yield still(trying, byBattery, { acts: new Set(['onBattery']), actsOn });
      yield still(trying, alone, { acts: new Set(['fedAlone']), actsOn });
      yield shown({ ...meterPower(name), at: device }, (suspect) =>
        meteredAt(suspect, id, supply.id),
      );
    }
}

const meteredAt = ({ fault, part }: TraceSuspect, feed: string, supply: string): number =>
  part === feed || (part === supply && fault === 'supplyDead')
    ? (faultKind(fault).metered ?? 0)
    : 0;
