import { loadedKb } from '../src/loaded';
import { PIT_BOARD } from '../src/page';
import { openWorld, type World } from '../src/world';

/// What a page may load, packed, so that speed that was won is not lost unseen. Whoever needs more says so here.

let world: World;

beforeAll(async () => {
  world = await openWorld();
});

afterAll(() => world.close());

test.each<[page: string, address: string, there: string, mostKb: number]>([
  ['Rigs', '/', 'a[href*="/path"]', 300],
  ['Path', `/rigs/${PIT_BOARD}/path`, '[data-curve="now"]', 540],
  ['Board', `/rigs/${PIT_BOARD}/board`, '[data-deck]', 545],
  ['Trace', `/rigs/${PIT_BOARD}/trace`, 'h2', 460],
  ['Gear', '/gear', 'main', 395],
])('%s', async (_, address, there, mostKb) => {
  await world.page.open(address);
  await world.page.find(there);
  const kb = await loadedKb(world.driver);
  process.stdout.write(`${address.split('/').at(-1) || 'rigs'}: ${kb.toFixed(0)} kB\n`);
  expect(kb).toBeLessThan(mostKb);
  // It loaded something: what is not measured cannot be too much.
  expect(kb).toBeGreaterThan(100);
});
