import { jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { PlainNumberField } from '../src/ui/PlainNumberField';

afterEach(cleanup);

function show(value: number | null, isWhole = false) {
  const [onChange, onNone] = [jest.fn(), jest.fn()];
  render(
    <PlainNumberField
      label="Boxes"
      value={value}
      max={20}
      isWhole={isWhole}
      none="no limit"
      onChange={onChange}
      onNone={onNone}
    />,
  );
  return { onChange, onNone, input: screen.getByLabelText<HTMLInputElement>('Boxes') };
}

test('takes a number, with a decimal comma too', async () => {
  const { onChange, input } = show(1);
  await userEvent.clear(input);
  await userEvent.type(input, '2,5{Enter}');
  expect(onChange).toHaveBeenCalledWith(2.5);
});

test('what has not changed is no change', async () => {
  const { onChange, onNone, input } = show(1);
  await userEvent.click(input);
  await userEvent.tab();
  expect(onChange).not.toHaveBeenCalled();
  expect(onNone).not.toHaveBeenCalled();
});

test('empty is no limit, and no limit looks so', async () => {
  const { onNone, onChange, input } = show(3);
  await userEvent.clear(input);
  await userEvent.tab();
  expect(onNone).toHaveBeenCalled();
  expect(onChange).not.toHaveBeenCalled();
  cleanup();
  expect(show(null).input.placeholder).toBe('no limit');
});

test.each([
  ['21', 'Boxes: 21, at most 20.'],
  ['-1', 'Boxes: -1, at least 0.'],
  ['1.5', 'Boxes: 1.5 is not a whole number.'],
  ['many', 'Boxes: “many” is not a number.'],
])('“%s” is refused in place and kept; Escape gives it up', async (typed, message) => {
  const { onChange, input } = show(2, true);
  await userEvent.clear(input);
  await userEvent.type(input, `${typed}{Enter}`);
  expect(screen.getByRole('alert').textContent).toBe(message);
  expect(input.value).toBe(typed);
  expect(input.getAttribute('aria-invalid')).toBe('true');
  await userEvent.type(input, '{Escape}');
  expect(screen.queryByRole('alert')).toBeNull();
  expect(input.value).toBe('2');
  expect(onChange).not.toHaveBeenCalled();
});
