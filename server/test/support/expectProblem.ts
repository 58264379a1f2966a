import type { Problem } from '@gullwind/contract';
import type { Test } from 'supertest';

/** The answer is problem+json with this status and code; gives it back. */
export async function expectProblem(
  test: Test,
  status: number,
  code: Problem['code'],
): Promise<Problem> {
  const response = await test;
  const problem = JSON.parse(response.text) as Problem;
  expect([response.status, problem.code]).toEqual([status, code]);
  expect(response.headers['content-type']).toContain('application/problem+json');
  expect(problem.status).toBe(status);
  return problem;
}
