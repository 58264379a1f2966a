import { engines } from '../server/test/support/databases';
import { attack, faultsOf } from '../server/test/attack/attack';

/// `npm run attack`: the long run, on both engines. Prints its counts; no fault is the only pass.

const [requests = 10_000, kills = 200, seed = 1] = process.argv.slice(2).map(Number);

let faults = 0;
for (const engine of engines()) {
  const start = performance.now();
  const counts = await attack(() => engine.newUrl(), { requests, kills, seed });
  const { storm, outside } = counts;
  const found = faultsOf(counts);
  faults += found.length;
  const seconds = ((performance.now() - start) / 1000).toFixed(0);
  console.log(`${engine.name}, seed ${seed}, ${seconds} s`);
  console.log(`  inside   ${storm.requests} requests: ${JSON.stringify(storm.answers)}`);
  console.log(`           ${storm.saves} saves acknowledged meanwhile, ${storm.lost} lost`);
  console.log(`  outside  ${outside.requests} requests: ${JSON.stringify(outside.answers)}`);
  console.log(
    `  kills    ${counts.kills.kills}, ${counts.kills.saves} writes acknowledged, ${counts.kills.lost} lost; ${counts.kills.restores} in the middle of restores, ${counts.kills.torn} torn`,
  );
  for (const fault of found.slice(0, 40)) console.log(`  FAULT    ${fault}`);
  if (found.length > 40) console.log(`  and ${found.length - 40} more faults`);
  engine.stop();
}
console.log(faults === 0 ? 'No fault.' : `${faults} faults.`);
process.exit(faults === 0 ? 0 : 1);
