import { EventEmitter } from 'node:events';
import { jest } from '@jest/globals';
import type { Request, Response } from 'express';
import { bodiesAtOnce } from '../src/bodiesAtOnce';

/// How many bodies are worked on at once.

class Answer extends EventEmitter {
  closed = false;
  close() {
    this.closed = true;
    this.emit('close');
  }
}

function ask(guard: ReturnType<typeof bodiesAtOnce>, method: string) {
  const answer = new Answer();
  const socket = { bytesRead: 0, destroy: () => answer.close() };
  const request = { method, socket, complete: false };
  const asked = { answer, request, isIn: false };
  guard(request as unknown as Request, answer as unknown as Response, () => (asked.isIn = true));
  return asked;
}

test('of three bodies two are worked on; the third waits for one to end; what only reads does not wait', () => {
  const guard = bodiesAtOnce(2);
  const [one, two, three] = [ask(guard, 'POST'), ask(guard, 'PUT'), ask(guard, 'POST')];
  expect([one.isIn, two.isIn, three.isIn]).toEqual([true, true, false]);
  for (const method of ['GET', 'HEAD']) expect(ask(guard, method).isIn).toBe(true);
  one.answer.close();
  expect(three.isIn).toBe(true);
});

test('who has gone while waiting is passed over, and holds up nobody', () => {
  const guard = bodiesAtOnce(1);
  const [one, gone, next] = [ask(guard, 'POST'), ask(guard, 'POST'), ask(guard, 'POST')];
  gone.answer.close();
  one.answer.close();
  expect([gone.isIn, next.isIn]).toEqual([false, true]);
});

test('a body that has stopped coming is cut off once somebody waits; one that comes, or has come, is not', () => {
  jest.useFakeTimers();
  try {
    const guard = bodiesAtOnce(3);
    const [stalled, slow, whole] = [ask(guard, 'PUT'), ask(guard, 'PUT'), ask(guard, 'PUT')];
    whole.request.complete = true;
    jest.advanceTimersByTime(60_000);
    expect(stalled.answer.closed).toBe(false);
    const next = ask(guard, 'PUT');
    for (let second = 0; second < 30; second++) {
      slow.request.socket.bytesRead += 10;
      jest.advanceTimersByTime(1000);
    }
    expect([stalled, slow, whole].map(({ answer }) => answer.closed)).toEqual([true, false, false]);
    expect(next.isIn).toBe(true);
    expect(jest.getTimerCount()).toBe(0);
  } finally {
    jest.useRealTimers();
  }
});
