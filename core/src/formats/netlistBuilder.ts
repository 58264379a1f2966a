import type { CableForm, Controls, Load, PathElement, PickupSource, Section } from '../circuit';

/// Writes two-ports down as elements between named nodes, as circuit simulators read them.

/** A line is at least so many lumps where its resistance and inductance act, and the more, the more it delays. */
const LEAST_LUMPS = 8;
const MOST_LUMPS = 400;
const LUMPS_PER_RADIAN = 40;
const HIGHEST_HZ = 20_000;
const GROUND = '0';

type ElementOf<K extends PathElement['kind']> = Extract<PathElement, { kind: K }>;

/** Letters, digits and underscores; never empty. */
export const slug = (name: string): string =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/gu, '_')
    .replace(/^_+|_+$/gu, '')
    .slice(0, 24) || 'x';

/** By |γℓ| at the highest frequency, which is how far the line turns and damps what runs through it. */
function lumpsOf({ lengthM, cPerMF, rPerMOhm, lPerMH }: ElementOf<'cable'>): number {
  const omega = 2 * Math.PI * HIGHEST_HZ;
  const gamma = Math.sqrt(Math.hypot(rPerMOhm, omega * lPerMH) * omega * cPerMF) * lengthM;
  return Math.min(MOST_LUMPS, Math.max(LEAST_LUMPS, Math.ceil(LUMPS_PER_RADIAN * gamma)));
}

type Letter = 'R' | 'L' | 'C' | 'V' | 'E';

export class NetlistBuilder {
  readonly lines: string[] = [];
  private readonly used = new Map<string, number>();

  comment(text: string): void {
    this.lines.push(`* ${text.replace(/[\r\n]+/gu, ' ')}`);
  }

  /** A name that nothing else has: the second "tap" is "tap_2". */
  fresh(name: string): string {
    const count = (this.used.get(name) ?? 0) + 1;
    this.used.set(name, count);
    return count === 1 ? name : this.fresh(`${name}_${count}`);
  }

  element(letter: Letter, name: string, from: string, to: string, value: string | number): void {
    this.lines.push(
      `${letter}${this.fresh(`${letter.toLowerCase()}_${name}`)} ${from} ${to} ${value}`,
    );
  }

  /** A resistance between two nodes; of none, the same node. @returns the node after it */
  series(name: string, from: string, to: string, rOhm: number): string {
    if (rOhm === 0) return from;
    const node = this.fresh(to);
    this.element('R', name, from, node, rOhm);
    return node;
  }

  shuntC(name: string, node: string, cF: number, ground = GROUND): void {
    if (cF > 0) this.element('C', name, node, ground, cF);
  }

  /** A resistance to ground; of none, a source of no voltage, since simulators refuse a resistor of none. */
  shuntR(name: string, node: string, rOhm: number | null, ground = GROUND): void {
    if (rOhm === 0) this.element('V', name, node, ground, 'DC 0');
    else if (rOhm !== null && Number.isFinite(rOhm)) this.element('R', name, node, ground, rOhm);
  }

  /** A coil after its controls. @returns the node it plays into */
  pickup(name: string, source: PickupSource, phase: 1 | -1 = 1, ground = GROUND): string {
    const emf = this.fresh(`${name}_emf`);
    this.element('V', name, emf, ground, phase === 1 ? 'DC 0 AC 1' : 'DC 0 AC 1 180');
    const wire = this.series(`${name}_dc`, emf, `${name}_wire`, source.rDcOhm);
    const coil = this.fresh(`${name}_coil`);
    this.element('L', name, wire, coil, source.lH);
    if (source.rEddyOhm !== null) this.element('R', `${name}_eddy`, wire, coil, source.rEddyOhm);
    this.shuntC(`${name}_winding`, coil, source.cWindingF, ground);
    return this.controls(name, source.controls, coil, ground);
  }

  controls(name: string, controls: Controls, from: string, ground = GROUND): string {
    const { wiring, volume } = controls;
    if (wiring === 'modern') this.tone(name, controls, from, ground);
    let at = from;
    if (volume) {
      const lower = volume.potOhm * volume.wiper;
      if (volume.reversed) this.shuntR(`${name}_volume_lower`, at, lower, ground);
      at = this.upperTrack(name, controls, at);
      if (!volume.reversed) this.shuntR(`${name}_volume_lower`, at, lower, ground);
    }
    if (wiring === 'fifties') this.tone(name, controls, at, ground);
    return at;
  }

  private upperTrack(name: string, { volume, bleed }: Controls, from: string): string {
    const upper = volume!.potOhm * (1 - volume!.wiper);
    const at = this.series(`${name}_volume_upper`, from, `${name}_wiper`, upper);
    if (upper === 0 || bleed === null) return at;
    if (bleed.topology === 'series') {
      const middle = this.fresh(`${name}_bleed`);
      this.element('R', `${name}_bleed`, from, middle, bleed.rOhm);
      this.element('C', `${name}_bleed`, middle, at, bleed.cF);
      return at;
    }
    this.element('C', `${name}_bleed`, from, at, bleed.cF);
    if (bleed.topology === 'parallel') this.element('R', `${name}_bleed`, from, at, bleed.rOhm);
    return at;
  }

  private tone(name: string, { tone }: Controls, at: string, ground: string): void {
    if (tone === null || (tone.noLoad && tone.remaining >= 1)) return;
    const cap = this.series(`${name}_tone`, at, `${name}_tone`, tone.potOhm * tone.remaining);
    this.shuntC(`${name}_tone`, cap, tone.cF, ground);
  }

  /** @returns the node after the elements */
  path(name: string, elements: readonly PathElement[], from: string, form: CableForm): string {
    return elements.reduce((at, element) => this.pathElement(name, element, at, form), from);
  }

  private pathElement(name: string, element: PathElement, at: string, form: CableForm): string {
    switch (element.kind) {
      case 'series':
        return this.series(name, at, name, element.rOhm);
      case 'shunt':
        this.shuntR(name, at, element.rOhm);
        this.shuntC(name, at, element.cF);
        return at;
      case 'pot':
        return this.pot(name, element, at);
      case 'coil': {
        const wire = this.series(`${name}_wire`, at, `${name}_wire`, element.rOhm);
        const coil = this.fresh(`${name}_coil`);
        this.element('L', name, wire, coil, element.lH);
        return coil;
      }
      case 'branch': {
        const end = this.path(`${name}_side`, element.path, at, form);
        this.load(`${name}_side_end`, element.load, end);
        return at;
      }
      case 'cable':
        if (form === 'line') return this.line(name, element, at);
        this.shuntC(name, at, element.cPerMF * element.lengthM + element.plugsF);
        return at;
    }
  }

  private pot(name: string, { rOhm, wiper }: ElementOf<'pot'>, at: string): string {
    const node = this.series(`${name}_upper`, at, `${name}_wiper`, rOhm * (1 - wiper));
    this.shuntR(`${name}_lower`, node, rOhm * wiper);
    return node;
  }

  /** A cable in lumps, half a plug at each end. */
  private line(name: string, element: ElementOf<'cable'>, at: string): string {
    const { lengthM, cPerMF, rPerMOhm, lPerMH, plugsF } = element;
    this.shuntC(`${name}_plug`, at, plugsF / 2);
    let node = at;
    const lumps = lumpsOf(element);
    for (let k = 0; k < lumps && lengthM > 0; k++) {
      const piece = lengthM / lumps;
      this.shuntC(name, node, (cPerMF * piece) / 2);
      node = this.series(name, node, name, rPerMOhm * piece);
      if (lPerMH > 0) {
        const next = this.fresh(name);
        this.element('L', name, node, next, lPerMH * piece);
        node = next;
      }
      this.shuntC(name, node, (cPerMF * piece) / 2);
    }
    this.shuntC(`${name}_plug`, node, plugsF / 2);
    return node;
  }

  load(name: string, { rOhm, cF, grid }: Load, at: string): void {
    this.shuntR(name, at, rOhm);
    this.shuntC(name, at, cF);
    if (!grid) return;
    const inside = this.series(`${name}_stopper`, at, `${name}_grid`, grid.stopperOhm);
    this.shuntC(`${name}_miller`, inside, grid.millerF);
  }

  /** What drives a section. @param heard the node whose voltage a device repeats; null for a guitar or a send */
  source(name: string, source: Section['source'], heard: string | null): string {
    switch (source.kind) {
      case 'pickup':
        return this.pickup(name, source);
      case 'pair': {
        const { first, second, joint, sign, shared } = source;
        const one = this.pickup(`${name}_first`, first);
        const ground = joint === 'series' ? one : GROUND;
        const other = this.pickup(`${name}_second`, second, sign, ground);
        // Tied together by a source of nothing: both nodes keep their names.
        if (joint === 'parallel') this.element('V', `${name}_both`, other, one, 'DC 0');
        return this.controls(name, shared, joint === 'series' ? other : one);
      }
      case 'piezo': {
        const emf = this.fresh(`${name}_emf`);
        this.element('V', name, emf, GROUND, 'DC 0 AC 1');
        const out = this.fresh(`${name}_out`);
        this.element('C', name, emf, out, source.cF);
        return out;
      }
      case 'voltage': {
        const emf = this.fresh(`${name}_emf`);
        if (heard === null) this.element('V', name, emf, GROUND, `DC 0 AC ${source.gain}`);
        else this.lines.push(`E${this.fresh(`e_${name}`)} ${emf} 0 ${heard} 0 ${source.gain}`);
        return this.series(`${name}_out`, emf, `${name}_out`, source.rOutOhm);
      }
    }
  }
}
