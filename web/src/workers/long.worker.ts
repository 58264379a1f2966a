import { exposeJobs } from './exposeJobs';
import { JOBS } from './jobs';

/// All long work that needs nothing but the core, in a worker of its own, so that the curve goes on following the hand.

exposeJobs(JOBS);
