import { DEFAULT_SETTINGS, type Settings } from '@gullwind/contract';
import { jest } from '@jest/globals';
import { act, cleanup, renderHook } from '@testing-library/react';

/// Settings that have not arrived yet are not overwritten by defaults.

const kept: Settings = { ...DEFAULT_SETTINGS, units: 'imperial', theme: 'night' };
let data: Settings | undefined;
let arrives: Settings | undefined;
const put = jest.fn((_: Settings) => Promise.resolve({}));
jest.unstable_mockModule('../src/app/api', () => ({
  useGetSettingsQuery: () => ({ data, refetch: () => Promise.resolve({ data: arrives }) }),
  usePutSettingsMutation: () => [put],
}));
const { useSettings } = await import('../src/app/useSettings');
const { hearFailures } = await import('../src/app/failures');

beforeEach(() => jest.clearAllMocks());
afterEach(cleanup);

const change = async (some: Partial<Settings>) => {
  const { result } = renderHook(() => useSettings());
  await act(async () => result.current[1](some));
};

test('changed before they have arrived, they are waited for', async () => {
  [data, arrives] = [undefined, kept];
  await change({ theme: 'day' });
  expect(put).toHaveBeenCalledWith({ ...kept, theme: 'day' });
});

test('where they do not arrive nothing is changed, and that is said', async () => {
  [data, arrives] = [undefined, undefined];
  const said: string[] = [];
  hearFailures((message) => said.push(message));
  await change({ theme: 'day' });
  expect(put).not.toHaveBeenCalled();
  expect(said[0]).toMatch(/have not arrived/u);
});

test('once they are there, the rest of them stays', async () => {
  [data, arrives] = [kept, undefined];
  await change({ units: 'metric' });
  expect(put).toHaveBeenCalledWith({ ...kept, units: 'metric' });
});
