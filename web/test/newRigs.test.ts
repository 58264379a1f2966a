import { DEFAULT_SETTINGS } from '@gullwind/contract';
import { LONGEST_NAME, newRig, type Rig } from '@gullwind/core';
import { copyOf, firstRig } from '../src/features/rigs/model/newRigs';

/// Rigs that come on the list.

const named = (name: string): Rig => ({
  ...newRig(name),
  texts: { ...newRig(name).texts, name },
});

test('a new one is held against the cable of the workshop, in its units', () => {
  const metric = firstRig({ ...DEFAULT_SETTINGS, units: 'metric' });
  const imperial = firstRig({ ...DEFAULT_SETTINGS, units: 'imperial' });
  expect(metric.texts.name).toBe('New rig');
  expect(metric.electrical.reference).not.toEqual(imperial.electrical.reference);
  const own = { ...DEFAULT_SETTINGS.reference, lengthM: { value: 9, from: 'entered' } } as const;
  expect(firstRig({ units: 'metric', reference: own }).electrical.reference).toEqual(own);
});

test('a copy says that it is one, however long the name is', () => {
  expect(copyOf(named('Pit')).texts.name).toBe('Pit, copy');
  const long = copyOf(named('x'.repeat(LONGEST_NAME))).texts.name;
  expect(long).toHaveLength(LONGEST_NAME);
  expect(long).toMatch(/x, copy$/u);
  expect({ ...copyOf(named('Pit')), texts: null }).toEqual({ ...named('Pit'), texts: null });
});
