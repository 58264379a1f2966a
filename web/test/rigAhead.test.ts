import { jest } from '@jest/globals';
import { fetchAhead, takeAhead } from '../src/app/rigAhead';

const asked: string[] = [];

beforeEach(() => {
  asked.length = 0;
  jest.useFakeTimers();
  globalThis.fetch = ((path: string) => {
    asked.push(path);
    return Promise.resolve({
      ok: true,
      status: 200,
      headers: new Headers(),
      json: () => Promise.resolve({ id: 'r1' }),
    });
  }) as unknown as typeof fetch;
});

afterEach(() => jest.useRealTimers());

describe('a rig that is asked for ahead', () => {
  it('is asked for once, and taken once', async () => {
    fetchAhead('r1');
    fetchAhead('r1');
    expect(asked).toEqual(['/api/rigs/r1']);
    expect(await takeAhead('r1')).toEqual({ kind: 'ok', data: { id: 'r1' } });
    expect(takeAhead('r1')).toBeNull();
  });

  it('is not taken for another', () => {
    fetchAhead('r1');
    expect(takeAhead('r2')).toBeNull();
  });

  it('is asked for again when it was long ago', () => {
    fetchAhead('r1');
    jest.advanceTimersByTime(3001);
    expect(takeAhead('r1')).toBeNull();
    fetchAhead('r1');
    expect(asked).toHaveLength(2);
  });
});
