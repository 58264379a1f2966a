import { exposeJobs } from './exposeJobs';
import { SOLVER_JOBS } from './solverJobs';

/// Work with the solver, in a worker of its own: it alone may compile WebAssembly, and it takes its time.

exposeJobs(SOLVER_JOBS);
