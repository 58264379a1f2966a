import { EventEmitter } from 'node:events';
import type { Request, Response } from 'express';
import { bodiesAtOnce } from '../src/guards';

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
  const asked = { answer, isIn: false };
  guard({ method } as Request, answer as unknown as Response, () => (asked.isIn = true));
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
