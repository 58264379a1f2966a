import type { Analysis, Rig } from '@gullwind/core';
import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { AnalysisApi } from './analysis.worker';

let remote: Remote<AnalysisApi> | null = null;

function analysisWorker(): Remote<AnalysisApi> {
  remote ??= wrap<AnalysisApi>(
    new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}

/** An analysis with the very rig it belongs to: the two are only ever shown together. */
export interface Analysed {
  readonly rig: Rig;
  readonly analysis: Analysis;
}

/**
 * Analyses a rig in the worker. While one is being computed the last one stays; of several changes in
 * the meantime only the latest is computed.
 */
export function useAnalysis(rig: Rig | null): Analysed | null {
  const [analysed, setAnalysed] = useState<Analysed | null>(null);
  const wanted = useRef<Rig | null>(null);
  const busy = useRef(false);

  useEffect(() => {
    wanted.current = rig;
    if (busy.current) return;
    busy.current = true;
    void computeWanted(wanted, setAnalysed).finally(() => (busy.current = false));
  }, [rig]);

  return analysed;
}

async function computeWanted(wanted: { current: Rig | null }, show: (analysed: Analysed) => void) {
  for (let rig = wanted.current; rig; rig = wanted.current) {
    const analysis = await analysisWorker().analyse(rig);
    show({ rig, analysis });
    if (wanted.current === rig) return;
  }
}
