import { analyseRig, nameCable, nameConnection, namePartLoss, nameSpot } from '../../src/figures';
import { destinationOfKind, deviceOfClass, type Device } from '../../src/gear';
import { addAmpLoop, applyEdits, insertDevice, mainRow, newRig } from '../../src/rig';
import { withDestination } from '../rig/straightRow';

/// What people would call things, wherever they are spoken of.

const board = (device: Device) =>
  applyEdits(newRig('named'), insertDevice(newRig('named'), 0, device));

test('a cable, a connection and an open loop have names of their own', () => {
  const start = board({ ...deviceOfClass('switcher', '', 'Ferryman'), loops: 2 });
  const row = mainRow(start);
  const [first, last] = row.cables.map((one) => one!.id) as [string, string];
  const { id: device } = row.devices[0]!;
  expect(nameCable(start, first, 1)).toBe('the cable in');
  expect(nameCable(start, last)).toBe('the cable to the amp');
  expect(nameCable(start, row.id, 1)).toBe('the cable to the amp');
  expect(nameCable(start, 'nowhere')).toBe('a cable');
  const spot = (part: 'openLoop' | 'whole', index = 0) =>
    nameSpot(start, { kind: 'device', id: device, part, index });
  expect(spot('whole')).toBe('Ferryman');
  expect(spot('openLoop', 1)).not.toBe(spot('openLoop', 0));
  expect(spot('openLoop', 1)).toContain('Ferryman');
});

test('what a part costs is named by the part: bypassed where it can be on', () => {
  const said = (device: Device): string => {
    const rig = board(device);
    const analysis = analyseRig(rig);
    if (analysis.kind !== 'sounding') throw new Error(analysis.kind);
    const stop = analysis.stops.findIndex(
      ({ spot }) => spot.kind === 'device' && (spot.part === 'whole' || spot.part === 'openLoop'),
    );
    return namePartLoss(rig, analysis.stops, { kind: 'bypass', stop });
  };
  expect(said(deviceOfClass('drive', '', 'Ember'))).toBe('Ember, bypassed');
  expect(said(deviceOfClass('passiveVolume', '', 'Tide'))).toBe('Tide');
  const switcher = { ...deviceOfClass('switcher', '', 'Ferryman'), loops: 2 };
  expect(said(switcher)).not.toContain('bypassed');
});

test('every connection is named by where it goes', () => {
  const start = board({ ...deviceOfClass('switcher', '', 'Ferryman'), loops: 1 });
  const loop = start.electrical.rows.find(({ at }) => at.kind === 'loop')!.id;
  const pedal = deviceOfClass('drive', '', 'Ember');
  const looped = applyEdits(start, insertDevice(start, 0, pedal, loop));
  const rig = applyEdits(looped, addAmpLoop(looped, 'e1'));
  const names = rig.electrical.rows.map((row) =>
    row.cables.map((_, i) => nameConnection(rig, row, i)),
  );
  expect(names).toEqual([
    ['the cable in', 'the cable to the amp'],
    ['the send cable of loop 1 of Ferryman', 'the return cable of loop 1 of Ferryman'],
    ['the loom of amp'],
  ]);
  const send = rig.electrical.rows[2]!;
  const chorus = applyEdits(
    rig,
    insertDevice(rig, 0, deviceOfClass('modulation', '', 'Eddy'), send.id),
  );
  const row = chorus.electrical.rows[2]!;
  expect(row.cables.map((_, i) => nameConnection(chorus, row, i))).toEqual([
    'the cable from the send of amp',
    'the cable to the return of amp',
  ]);
  expect(nameSpot(rig, { kind: 'device', id: 'd1', part: 'openLoop', index: 0 })).toBe(
    'Ferryman, loop 1',
  );
});

test('an input is the amp’s or by its own name', () => {
  const named = (kind: 'amp' | 'mixer') => {
    const rig = withDestination(newRig('ends'), destinationOfKind(kind, 'Quay'));
    const stops = [
      {
        spot: { kind: 'destination', id: 'e1', part: 'whole', index: 0 },
        role: 'destination',
        engaged: false,
        cableM: 0,
      },
    ] as const;
    return namePartLoss(rig, stops, { kind: 'destination', stop: 0 });
  };
  expect(named('amp')).toBe('the amp’s input');
  expect(named('mixer')).toBe('the input of Quay');
});
