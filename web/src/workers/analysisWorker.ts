import { wrap, type Remote } from 'comlink';
import type { AnalysisApi } from './analysis.worker';

let remote: Remote<AnalysisApi> | null = null;

/** The one worker of the page, started when it is first asked. */
export function analysisWorker(): Remote<AnalysisApi> {
  remote ??= wrap<AnalysisApi>(
    new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}
