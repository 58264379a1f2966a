export { solverOf, valueOf, writeProgram } from './program';
export type { Program, Row, Solution, Solve, Sum } from './program';
