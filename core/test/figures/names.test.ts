import { analyseRig, nameCable, namePartLoss, nameSpot } from '../../src/figures';
import { deviceOfClass, type Device } from '../../src/gear';
import { applyEdits, insertDevice, mainRow, newRig } from '../../src/rig';

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
