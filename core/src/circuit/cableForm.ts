import type { CableElement, Load, PathElement, PickupSource, Section, Source } from './section';

/** How cables are modelled: as their capacitance alone, or as uniform lines. */
export type CableForm = 'lumped' | 'line';

/// Which of the two is near enough: the cheaper one keeps within 0.01 dB of the line below 20 kHz, whatever the
/// fields of a rig accept. What drives, what loads and what the cable is made of all have a say.

const LIMIT_BEHIND_PASSIVE_M = 55;
const LIMIT_BEHIND_DRIVER_M = 35;
/** The worst cable that the limits are for; one that is worse in anything counts as so much longer. */
const WORST = { cPerMF: 180e-12, rPerMOhm: 0.25, lPerMH: 0.6e-6 } as const;
/** A load below this feels a cable's resistance more, Ω. */
const EASY_LOAD_OHM = 8000;
/** Inputs beyond this capacitance make resonances that feel it. */
const MOST_LOAD_F = 1e-9;
const MOST_MILLER_F = 300e-12;

/** @param section its load may be left out where it is not known: then it asks for little */
export function chooseCableForm({
  source,
  path,
  load,
}: Pick<Section, 'source' | 'path'> & { readonly load?: Load }): CableForm {
  return equivalentM(path) <= lumpedLimitM(source, load) ? 'lumped' : 'line';
}

/** The longest that cables may be as capacitances between a source and a load, in metres of the worst cable. */
export const lumpedLimitM = (source: Source, load?: Load): number =>
  limitBehind(source) * shareOf(load);

function limitBehind(source: Source): number {
  switch (source.kind) {
    case 'voltage':
      return LIMIT_BEHIND_DRIVER_M;
    case 'piezo':
      return source.cF <= 2e-9 ? LIMIT_BEHIND_PASSIVE_M : 0;
    case 'pickup':
      return isDamped(source) ? LIMIT_BEHIND_PASSIVE_M : 0;
    case 'pair':
      return isDamped(source.first) && isDamped(source.second) ? LIMIT_BEHIND_PASSIVE_M : 0;
  }
}

/** A coil whose own losses are more than a cable's: of small or nearly lossless ones the cable's would count. */
const isDamped = ({ lH, rDcOhm, cWindingF, rEddyOhm }: PickupSource): boolean =>
  lH >= 2 && rDcOhm >= 4000 && cWindingF <= 1e-9 && rEddyOhm !== null && rEddyOhm <= 2e6;

function shareOf(load: Load | undefined): number {
  if (!load) return 1;
  if (load.cF > MOST_LOAD_F || (load.grid?.millerF ?? 0) > MOST_MILLER_F) return 0;
  return Math.min(1, load.rOhm / EASY_LOAD_OHM);
}

/** What all cables of a path count as, those of its branches included, in metres of the worst cable. */
export function equivalentM(path: readonly PathElement[]): number {
  let totalM = 0;
  for (const element of path) {
    if (element.kind === 'cable') totalM += element.lengthM * worseBy(element);
    else if (element.kind === 'coil') totalM = Infinity;
    else if (element.kind === 'branch') totalM += ofBranch(element.path, element.load);
  }
  return totalM;
}

function ofBranch(path: readonly PathElement[], load: Load): number {
  const ownM = equivalentM(path);
  return ownM === 0 ? 0 : ownM / shareOf(load);
}

const worseBy = ({ cPerMF, rPerMOhm, lPerMH }: CableElement): number =>
  Math.max(1, cPerMF / WORST.cPerMF, rPerMOhm / WORST.rPerMOhm, lPerMH / WORST.lPerMH);
