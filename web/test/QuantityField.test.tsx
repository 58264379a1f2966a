import { FIELD_RULES, entered, type Sourced } from '@gullwind/core';
import { jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { QuantityField } from '../src/ui/QuantityField';

afterEach(cleanup);

function show(value: Sourced, units: 'metric' | 'imperial' = 'metric') {
  const onChange = jest.fn();
  render(
    <QuantityField
      rule={FIELD_RULES.cable.lengthM}
      label="Length"
      value={value}
      units={units}
      assumedFrom="ordinary cable"
      onChange={onChange}
    />,
  );
  return { onChange, input: screen.getByLabelText<HTMLInputElement>('Length') };
}

test('takes what people type and says that a person entered it', async () => {
  const { onChange, input } = show(entered(6));
  expect(input.value).toBe('6\u00a0m');
  await userEvent.clear(input);
  await userEvent.type(input, '18 ft{Enter}');
  expect(onChange).toHaveBeenCalledWith({ value: 5.4864, from: 'entered' });
});

test('a bare number takes the unit shown', async () => {
  const { onChange, input } = show(entered(6), 'imperial');
  await userEvent.clear(input);
  await userEvent.type(input, '10{Enter}');
  expect(onChange).toHaveBeenCalledWith({ value: 3.048, from: 'entered' });
});

test('refuses in place, keeps what was typed, and Escape gives it up', async () => {
  const { onChange, input } = show(entered(6));
  await userEvent.clear(input);
  await userEvent.type(input, '-3 m{Enter}');
  expect(screen.getByRole('alert').textContent).toBe('Cable length: −3\u00a0m, at least 0\u00a0m.');
  expect(input.value).toBe('-3 m');
  expect(input.getAttribute('aria-invalid')).toBe('true');
  await userEvent.type(input, '{Escape}');
  expect(screen.queryByRole('alert')).toBeNull();
  expect(input.value).toBe('6 m');
  expect(onChange).not.toHaveBeenCalled();
});

test('leaving a field as it was is no edit, even where it is shown rounded', async () => {
  const { onChange, input } = show(entered(5.4864321));
  await userEvent.click(input);
  await userEvent.tab();
  expect(onChange).not.toHaveBeenCalled();
});

test('says where a value comes from, and lets it be said', async () => {
  const { onChange } = show({ value: 6, from: 'assumed' });
  await userEvent.click(
    screen.getByRole('button', { name: 'Length: assumed, typical of: ordinary cable' }),
  );
  await userEvent.click(screen.getByRole('menuitem', { name: 'measured' }));
  expect(onChange).toHaveBeenCalledWith({ value: 6, from: 'measured' });
});
