import { leastBends } from '../../src/board/routing/leastBends';

/// Right, back, left, front are 0 to 3; 4 may turn freely.

test.each([
  ['straight into the plug', 1, 0, 0, 0, 0],
  ['beside it, in its own direction', 1, 1, 0, 0, 2],
  ['round one corner', 1, 1, 0, 1, 1],
  ['there, but across', 0, 0, 0, 1, 1],
  ['back along the line it came on', -1, 0, 0, 2, 4],
  ['round, to come in from behind', 1, 0, 0, 2, 4],
  ['past the plug and back into it', -1, 0, 0, 0, 4],
  ['free to turn', -1, 0, 4, 2, 0],
  ['free to turn, beside it', -1, 1, 4, 1, 1],
])('%s', (_, signX, signY, heading, arrives, bends) => {
  expect(leastBends(signX, signY, heading, arrives)).toBe(bends);
});
