import { faultKind } from '../faultKinds';
import { allParts, canSwitchOff, type TracePart } from '../way';
import { CLOSE_AMP, shown, still, type Draft, type TraceTest, type Trying } from './test';

/// Switches, plugs and cables, one by one.

const ALL_OFF: Draft = {
  kind: 'allOff',
  minutes: 0.4,
  does: 'Switch every pedal off.',
  hold: 'Both hands on the guitar, one foot.',
};

const switchOff = (part: string): Draft => ({
  kind: 'switchOff',
  minutes: 0.3,
  does: `Switch ${part} off. If it is off already, on once and off again.`,
  hold: 'Both hands on the guitar, one foot.',
});

export function* withFoot(trying: Trying): Generator<TraceTest> {
  const devices = allParts(trying.way).filter(canSwitchOff);
  if (devices.length === 0) return;
  yield still(trying, ALL_OFF, { switchedOff: new Set(devices.map(({ id }) => id)) });
  for (const { id, name } of devices)
    yield still(trying, { ...switchOff(name), at: id }, { switchedOff: new Set([id]) });
}

const wiggle = ({ kind, name, id }: TracePart) => ({
  kind: 'wiggle' as const,
  minutes: 0.4,
  does: `Move ${name}${kind === 'cable' ? ' at both of its plugs' : ', its jacks and plugs'}, and nothing else.`,
  hold: 'Let a note ring, or have somebody play; one hand moves the plug.',
  asks: 'Does it come or go as you move it?',
  at: id,
});

const swapCable = ({ name, id }: TracePart): Draft => ({
  kind: 'swapCable',
  minutes: 1.2,
  does: `Put a known-good cable in the place of ${name}.`,
  hold: 'Pull one plug at a time, so that none goes astray.',
  caution: CLOSE_AMP,
  at: id,
});

const meterCable = ({ name, id }: TracePart) => ({
  kind: 'meterCable' as const,
  minutes: 2.5,
  does: `Unplug ${name} at both ends and measure it: tip to tip, sleeve to sleeve, tip to sleeve on the ohms range, while it is moved.`,
  hold: 'A plug in each hand, the tips of the meter beside them.',
  asks: 'Is something wrong with it?',
  caution: CLOSE_AMP,
  at: id,
});

/** Symptoms that come and go with a hand at a plug. */
const OF_MOVING = ['crackle', 'dropouts', 'noSignal'];

export function* byHand(trying: Trying): Generator<TraceTest> {
  const parts = allParts(trying.way);
  for (const part of OF_MOVING.includes(trying.symptom) ? parts : [])
    yield shown(wiggle(part), ({ part: id, fault }) =>
      id === part.id ? (faultKind(fault).moved ?? 0) : 0,
    );
  for (const part of parts.filter(({ kind }) => kind === 'cable')) {
    const rest = parts.filter(({ id }) => id !== part.id).map(({ id }) => id);
    yield still(trying, swapCable(part), { connected: new Set(rest) });
    yield shown(meterCable(part), ({ part: id, fault }) =>
      id === part.id ? (faultKind(fault).metered ?? 0) : 0,
    );
  }
}
