import { picofarad, type GearItem } from '@gullwind/core';
import { sheet, measured, entered } from './demoValues';
import { device } from './makeGear';

/// The pedals and boxes of the workshop. Every maker and model here is invented.

export const DEMO_DEVICES: readonly GearItem[] = [
  device('plumb-line', 'tuner', 'Plumb Line', 'Tuner on a true bypass; silent while it tunes.'),
  device('plumb-line-b', 'tuner', 'Plumb Line II', 'The later one, buffered when off.', {
    bypass: 'buffered',
    off: { rInOhm: sheet(1e6), rOutOhm: sheet(1000) },
  }),
  device('wee-ferry', 'buffer', 'Wee Ferry', 'A plain good buffer in a tin.', {
    on: { rInOhm: measured(1.02e6), rOutOhm: measured(148) },
  }),
  device('old-sluice', 'buffer', 'Old Sluice', 'An early buffer; draws a lot and gives little.', {
    on: {
      rInOhm: measured(220e3),
      cInF: measured(picofarad(100)),
      rOutOhm: measured(4700),
      gainDb: measured(-0.8),
    },
  }),
  device('kelp-stage', 'preamp', 'Kelp Stage', 'Preamp that stays on.', {
    on: { rOutOhm: sheet(600) },
  }),
  device('ballast', 'compressor', 'Ballast', 'Squeezes gently.', {
    on: { rInOhm: sheet(470e3), rOutOhm: sheet(10e3) },
  }),
  device('mudlark', 'wah', 'Mudlark', 'Old pedal wah; its input never leaves the line.', {
    on: { rInOhm: measured(72e3) },
    off: { rInOhm: measured(72e3) },
  }),
  device(
    'mudlark-t',
    'wah',
    'Mudlark, rewired',
    'The same with a true bypass fitted in the workshop.',
    { bypass: 'true' },
  ),
  device(
    'cinder',
    'lowImpedanceFuzz',
    'Cinder Pot',
    'Two-transistor fuzz; wants the pickup itself.',
    { on: { rInOhm: measured(8200) } },
  ),
  device('brine', 'fuzz', 'Brine', 'Thick fuzz with an ordinary input.', {
    on: { rInOhm: sheet(100e3), rOutOhm: sheet(50e3) },
  }),
  device('heave', 'boost', 'Heave', 'Clean push.', {
    on: { rOutOhm: sheet(1000), gainDb: entered(6) },
  }),
  device('gristle', 'drive', 'Gristle', 'Middling drive.', { on: { rOutOhm: sheet(10e3) } }),
  device('rope-burn', 'drive', 'Rope Burn', 'Harder drive.'),
  device('soft-lantern', 'drive', 'Soft Lantern', 'Barely there; user picks its bypass.', {
    bypass: 'switchable',
    on: { rInOhm: sheet(1e6), rOutOhm: sheet(1000) },
  }),
  device('seven-weirs', 'equaliser', 'Seven Weirs', 'Seven bands.'),
  device('low-tide', 'octave', 'Low Tide', 'An octave down.'),
  device('lock-gate', 'gate', 'Lock Gate', 'Keeps the pit quiet between numbers.'),
  device('eddy', 'modulation', 'Eddy', 'Chorus; buffered when off.', {
    bypass: 'buffered',
    on: { rInOhm: sheet(500e3) },
    off: { rInOhm: sheet(500e3) },
  }),
  device('swell', 'modulation', 'Swell', 'Tremolo.', { on: { rOutOhm: sheet(2000) } }),
  device('slow-wheel', 'modulation', 'Slow Wheel', 'Turning speaker, small.'),
  device('far-bank', 'delay', 'Far Bank', 'Delay; true bypass, so its tails are cut.', {
    bypass: 'true',
    on: { rOutOhm: sheet(500) },
  }),
  device('echo-weir', 'delay', 'Echo Weir', 'Delay with tails.', {
    off: { rInOhm: sheet(1e6), rOutOhm: sheet(220), gainDb: sheet(0) },
  }),
  device('undercroft', 'reverb', 'Undercroft', 'Reverb of a large cellar.', {
    bypass: 'true',
    on: { rOutOhm: sheet(500) },
  }),
  device('nave', 'reverb', 'Nave', 'Reverb with tails.'),
  device('treadle', 'poweredVolume', 'Treadle', 'Powered volume pedal.', {
    on: { rInOhm: sheet(1e6), rOutOhm: sheet(500) },
  }),
  device('millrace', 'passiveVolume', 'Millrace', 'Passive volume with a tuner jack.'),
  device(
    'cross-wind',
    'wireless',
    'Cross Wind',
    'Transmitter on the strap, receiver on the board.',
    {
      on: { rOutOhm: sheet(1000), rInOhm: sheet(1e6) },
    },
  ),
  device('side-rill', 'tap', 'Side Rill', 'A box with a jack for the tuner.'),
  device('fork', 'passiveSplitter', 'Fork', 'Two jacks in parallel, nothing else.'),
  device('delta', 'bufferedSplitter', 'Delta', 'Two outputs, each with a buffer of its own.'),
  device('points', 'selector', 'Points', 'Two guitars in, one of them out.'),
  device('four-locks', 'switcher', 'Four Locks', 'Four loops on relays.'),
  device('eight-locks', 'switcher', 'Eight Locks', 'Eight loops, buffered at both ends.', {
    loops: 8,
    bufferIn: true,
    bufferOut: true,
  }),
  device('lock-gate-four', 'gate', 'Lock Gate Four', 'A gate with a send and return.', {
    insert: 'own',
    loops: 1,
  }),
  device('deep-ferry', 'buffer', 'Deep Ferry', 'A buffer that a piezo can live with.', {
    on: { rInOhm: sheet(10e6), cInF: sheet(picofarad(10)) },
  }),
];
