import { cutText } from '../../src';

test.each([
  ['short', 20, '', 'short'],
  ['short', 12, ' (copy)', 'short (copy)'],
  ['a longer name', 8, '', 'a longer'],
  ['a longer name', 9, '', 'a longer'],
  // A family of four is one character, eleven units long; a letter and its accent are one too.
  ['👨‍👩‍👧‍👦👨‍👩‍👧‍👦', 21, '', '👨‍👩‍👧‍👦'],
  ['e\u0301e\u0301', 3, '', 'e\u0301'],
  ['🎸🎸', 3, '', '🎸'],
])('%j within %d with %j is %j', (text, most, ending, cut) => {
  expect(cutText(text, most, ending)).toBe(cut);
});
