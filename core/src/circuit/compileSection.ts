import { chooseCableForm, type CableForm } from './cableForm';
import { LadderBuilder, Op, type Ladder } from './ladder';
import type { Controls, CableElement, PathElement, PickupSource, Source } from './section';

/** Compiles source and path of a section; the load stays apart, so that a prefix can end in another. */
export function compileSection(
  section: Parameters<typeof chooseCableForm>[0],
  form: CableForm = chooseCableForm(section),
): Ladder {
  const builder = new LadderBuilder();
  addSource(builder, section.source);
  for (const element of section.path) addElement(builder, element, form);
  return builder.build();
}

/** A path without a source. */
export function compilePath(path: readonly PathElement[], form: CableForm): Ladder {
  const builder = new LadderBuilder();
  for (const element of path) addElement(builder, element, form);
  return builder.build();
}

export function addSource(builder: LadderBuilder, source: Source): void {
  if (source.kind === 'voltage') {
    builder.gain *= source.gain;
    builder.series(source.rOutOhm);
  } else if (source.kind === 'piezo') {
    builder.push(Op.SeriesParallelRC, 0, source.cF);
  } else if (source.kind === 'pair') {
    addPickup(builder, source.first);
    const second = new LadderBuilder();
    addPickup(second, source.second);
    if (isCancelled(source)) builder.gain = 0;
    builder.join(second.build(), source.joint, source.sign);
    if (isCancelled(source)) builder.gain = 0;
    addControls(builder, source.shared);
  } else addPickup(builder, source);
}

/** Two like pickups against each other, or one closed volume that shorts both: silence, not 0/0. */
function isCancelled({ first, second, joint, sign }: Extract<Source, { kind: 'pair' }>): boolean {
  if (sign < 0 && JSON.stringify(first) === JSON.stringify(second)) return true;
  return joint === 'parallel' && [first, second].some(isShorted);
}

const isShorted = ({ controls: { volume } }: PickupSource): boolean =>
  volume !== null && !volume.reversed && volume.wiper <= 0;

/** A pickup after its controls. With its volume closed it gives nothing, but still stands for an impedance. */
function addPickup(builder: LadderBuilder, source: PickupSource): void {
  const { volume } = source.controls;
  if (volume !== null && volume.wiper <= 0) {
    builder.gain = 0;
    if (volume.reversed) addClosedReversed(builder, volume.potOhm, source.controls);
    return;
  }
  const eddySiemens = source.rEddyOhm === null ? 0 : 1 / source.rEddyOhm;
  builder.push(Op.SeriesWinding, source.rDcOhm, source.lH, eddySiemens);
  builder.shunt(0, source.cWindingF);
  addControls(builder, source.controls);
}

/** The wiper holds the pickup on ground; what comes after it still meets the track, the bleed and the tone. */
function addClosedReversed(builder: LadderBuilder, potOhm: number, controls: Controls): void {
  addUpperTrack(builder, potOhm, controls.bleed);
  if (controls.wiring === 'fifties') addTone(builder, controls);
}

function addControls(builder: LadderBuilder, controls: Controls): void {
  if (controls.wiring === 'modern') addTone(builder, controls);
  addVolume(builder, controls);
  if (controls.wiring === 'fifties') addTone(builder, controls);
}

function addTone(builder: LadderBuilder, { tone }: Controls): void {
  if (tone === null || (tone.noLoad && tone.remaining >= 1)) return;
  builder.shuntSeriesRC(tone.potOhm * tone.remaining, tone.cF);
}

function addVolume(builder: LadderBuilder, { volume, bleed }: Controls): void {
  if (volume === null) return;
  const upperOhm = volume.potOhm * (1 - volume.wiper);
  if (volume.reversed) addLowerTrack(builder, volume.potOhm * volume.wiper);
  if (upperOhm > 0) addUpperTrack(builder, upperOhm, bleed);
  if (!volume.reversed) addLowerTrack(builder, volume.potOhm * volume.wiper);
}

function addUpperTrack(builder: LadderBuilder, upperOhm: number, bleed: Controls['bleed']): void {
  if (bleed === null) builder.series(upperOhm);
  else if (bleed.topology === 'capacitor')
    builder.push(Op.SeriesParallelRC, 1 / upperOhm, bleed.cF);
  else if (bleed.topology === 'parallel') {
    builder.push(Op.SeriesParallelRC, 1 / upperOhm + 1 / bleed.rOhm, bleed.cF);
  } else builder.push(Op.SeriesBleed, 1 / upperOhm, bleed.cF, bleed.rOhm);
}

/** A track of no resistance to ground is silence, not a division by zero. */
function addLowerTrack(builder: LadderBuilder, lowerOhm: number): void {
  if (lowerOhm > 0) builder.shunt(1 / lowerOhm, 0);
  else builder.gain = 0;
}

export function addElement(builder: LadderBuilder, element: PathElement, form: CableForm): void {
  switch (element.kind) {
    case 'cable':
      addCable(builder, element, form);
      break;
    case 'series':
      builder.series(element.rOhm);
      break;
    case 'shunt':
      builder.shunt(element.rOhm === null ? 0 : 1 / element.rOhm, element.cF);
      break;
    case 'pot':
      builder.series(element.rOhm * (1 - element.wiper));
      addLowerTrack(builder, element.rOhm * element.wiper);
      break;
    case 'coil':
      builder.push(Op.SeriesWinding, element.rOhm, element.lH, 0);
      break;
    case 'branch':
      builder.branch(compilePath(element.path, form), element.load);
      break;
  }
}

function addCable(builder: LadderBuilder, cable: CableElement, form: CableForm): void {
  const cF = cable.cPerMF * cable.lengthM;
  if (form === 'lumped' && cable.lossTangent === 0) {
    builder.shunt(0, cF + cable.plugsF);
    return;
  }
  builder.shunt(0, cable.plugsF / 2);
  if (form === 'lumped') builder.push(Op.ShuntLossyC, cF, cable.lossTangent);
  else if (cable.lengthM > 0) {
    builder.push(
      Op.Line,
      cable.lengthM,
      cable.rPerMOhm,
      cable.lPerMH,
      cable.cPerMF,
      cable.lossTangent,
    );
  }
  builder.shunt(0, cable.plugsF / 2);
}
