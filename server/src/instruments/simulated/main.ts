import { parseArgs } from 'node:util';
import { followStarter } from '../../followStarter';
import { portOf, serveLines } from './lineServer';
import { simulatedMeter } from './simulatedMeter';
import { simulatedSweep } from './simulatedSweep';

/// A simulated instrument as a process of its own, on a loopback port: what it says is made up, and says so.

const { values } = parseArgs({
  options: {
    kind: { type: 'string', default: 'meter' },
    port: { type: 'string', default: '0' },
    seed: { type: 'string', default: '1' },
  },
});

const seed = Number(values.seed);
const open = values.kind === 'sweep' ? simulatedSweep : simulatedMeter;
const server = await serveLines(Number(values.port), () => open(seed));
const stop = () => process.exit(0);
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, stop);
followStarter(stop);
console.log(`Simulated ${values.kind} is ready: 127.0.0.1:${portOf(server)}`);
