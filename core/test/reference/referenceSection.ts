import type { Load, PathElement, Section, Source } from '../../src/circuit';

/// Reads the reference files' notation into sections.

interface ReferenceElement {
  kind: string;
  length_m?: number;
  c_per_m_f?: number;
  plugs_f?: number;
  r_ohm?: number;
  c_f?: number;
  a?: number;
}

interface ReferenceSource extends ReferenceElement {
  l_h?: number;
  r_dc_ohm?: number;
  c_w_f?: number;
  r_eddy_ohm?: number;
  r_out_ohm?: number;
  gain?: number;
  controls?: {
    wiring: 'modern' | 'fifties';
    volume: { r_ohm: number; a: number };
    tone: { r_ohm: number; c_f: number; b: number };
    bleed?: { topology: 'parallel' | 'series'; c_f: number; r_ohm: number };
  };
}

export interface ReferenceSection {
  source: ReferenceSource;
  path: ReferenceElement[];
  load: { r_ohm: number; c_f?: number; grid_r_ohm?: number; miller_c_f?: number };
}

export function readSection(reference: ReferenceSection): Section {
  return {
    source: readSource(reference.source),
    path: reference.path.map(readElement),
    load: readLoad(reference.load),
  };
}

export function readSource(source: ReferenceSource): Source {
  if (source.kind === 'voltage') {
    return { kind: 'voltage', rOutOhm: source.r_out_ohm!, gain: source.gain! };
  }
  if (source.kind === 'piezo') return { kind: 'piezo', cF: source.c_f! };
  const { wiring, volume, tone, bleed } = source.controls!;
  return {
    kind: 'pickup',
    lH: source.l_h!,
    rDcOhm: source.r_dc_ohm!,
    cWindingF: source.c_w_f!,
    rEddyOhm: source.r_eddy_ohm!,
    controls: {
      wiring,
      volume: { potOhm: volume.r_ohm, wiper: volume.a, reversed: false },
      tone: { potOhm: tone.r_ohm, cF: tone.c_f, remaining: tone.b, noLoad: false },
      bleed: bleed ? { topology: bleed.topology, cF: bleed.c_f, rOhm: bleed.r_ohm } : null,
    },
  };
}

function readElement(element: ReferenceElement): PathElement {
  switch (element.kind) {
    case 'cable':
      return {
        kind: 'cable',
        lengthM: element.length_m!,
        cPerMF: element.c_per_m_f!,
        rPerMOhm: 0.1,
        lPerMH: 0.5e-6,
        lossTangent: 0,
        plugsF: element.plugs_f!,
      };
    case 'series':
      return { kind: 'series', rOhm: element.r_ohm! };
    case 'shunt':
      return { kind: 'shunt', rOhm: element.r_ohm ?? null, cF: element.c_f ?? 0 };
    case 'pot':
      return { kind: 'pot', rOhm: element.r_ohm!, wiper: element.a! };
    default:
      throw new Error(`reference element ${element.kind}`);
  }
}

export function readLoad(load: ReferenceSection['load']): Load {
  return {
    rOhm: load.r_ohm,
    cF: load.c_f ?? 0,
    grid:
      load.miller_c_f === undefined
        ? null
        : { stopperOhm: load.grid_r_ohm!, millerF: load.miller_c_f },
  };
}
