import { Instruments } from '../../src/instruments/instruments';
import { portOf, serveLines } from '../../src/instruments/simulated/lineServer';
import { simulatedMeter } from '../../src/instruments/simulated/simulatedMeter';
import { simulatedSweep } from '../../src/instruments/simulated/simulatedSweep';

/** A simulated meter and a simulated sweep on loopback ports, and what closes them. */
export async function simulatedInstruments() {
  const [meter, sweep] = [
    await serveLines(0, () => simulatedMeter(1)),
    await serveLines(0, () => simulatedSweep(1)),
  ];
  const at = (server: typeof meter) => [{ host: '127.0.0.1', port: portOf(server) }];
  return {
    instruments: new Instruments(at(meter), at(sweep)),
    close: () => [meter, sweep].forEach((server) => server.close()),
  };
}
