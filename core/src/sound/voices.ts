import type { Section } from '../circuit';
import { entered } from '../gear';
import { analyseStates, measureWay, nameCable, switchesOn, type Figures } from '../figures';
import { driveWay, SectionSolver } from '../path';
import { formatQuantity, type UnitSystem } from '../quantity';
import {
  applyEdit,
  chainOf,
  knownState,
  mainRow,
  playingGuitar,
  withElectricalPart,
  type Chain,
  type Edit,
  type Rig,
} from '../rig';
import type { Voice } from './render';

/// The voices of a rig: every way of hearing it that there is something to be learned from.

export type VoiceGroup =
  'now' | 'plan' | 'shop' | 'scenes' | 'states' | 'pins' | 'lengths' | 'guitars';

export interface RigVoice extends Voice {
  readonly group: VoiceGroup;
  readonly name: string;
  /** Against straight in; null of straight in itself. */
  readonly figures: Figures | null;
  /** On `DRAW_GRID`, dB. */
  readonly levelDb: Float64Array;
}

/** What is done first, as advised: heard as a voice. */
export interface AdvisedStep {
  readonly said: string;
  readonly edit: Edit;
}

/** A cable that somebody else plugged in after a pedal: at the shop, at a friend’s. */
export interface ShopCable {
  readonly lengthM: number;
  readonly cPerMF: number;
}

export const STRAIGHT_IN = 'straight';
export const AS_IT_IS = 'now';

/** What a cable may be instead of the one that there is, m. */
const LADDER_M = [0.5, 3, 6, 10, 20, 40, 60];

/**
 * Straight in, as it is, the advised step, scenes, extremes, pins, the longest cable at other lengths, other guitars.
 * What would be silent is left out.
 */
export function voicesOf(
  rig: Rig,
  step: AdvisedStep | null,
  units: UnitSystem,
  shop: ShopCable | null = null,
  solver: SectionSolver = new SectionSolver(),
): readonly RigVoice[] {
  const chain = chainOf(rig);
  const straight = straightIn(chain, solver);
  if (!straight) return [];
  const heard: RigVoice[] = [straight];
  const add = (id: string, group: VoiceGroup, name: string, of: Chain | null) => {
    const voice = of && voiceOf(of, { id, group, name }, solver);
    if (voice) heard.push(voice);
  };
  add(AS_IT_IS, 'now', 'as it is', chain);
  if (step) add('plan', 'plan', `with the first step: ${step.said}`, after(rig, step.edit));
  if (shop) add('shop', 'shop', 'by the shop’s cable to the amp', byShopCable(chain, shop));
  for (const { id, name, state } of rig.electrical.scenes)
    add(`scene ${id}`, 'scenes', name, { ...chain, state: knownState(chain, state) });
  const states = analyseStates(chain, switchesOn(chain));
  if (states.kind === 'states' && states.spreadDb > 0) {
    const at = (positions: Readonly<Record<string, boolean>>): Chain => ({
      ...chain,
      state: { ...chain.state, positions: { ...chain.state.positions, ...positions } },
    });
    add('brightest', 'states', 'the brightest its switches can do', at(states.brightest.positions));
    add('dullest', 'states', 'the dullest its switches can do', at(states.dullest.positions));
  }
  for (const pin of rig.pins) add(`pin ${pin.id}`, 'pins', `pin: ${pin.name}`, chainOf(pin.rig));
  for (const { metres, name, of } of ladder(chain, units))
    add(`length ${metres}`, 'lengths', name, of);
  for (const { id, name } of otherGuitars(chain))
    add(`guitar ${id}`, 'guitars', `with ${name}`, {
      ...chain,
      state: { ...chain.state, playing: id },
    });
  return heard;
}

type Named = Pick<RigVoice, 'id' | 'group' | 'name'>;

function voiceOf(chain: Chain, named: Named, solver: SectionSolver): RigVoice | null {
  const way = driveWay(chain);
  const measured = measureWay(way, solver);
  if (measured.kind !== 'sounding') return null;
  const sections = way.path.sections.map(({ circuit }) => circuit);
  return { ...named, sections, figures: measured.figures, levelDb: measured.nowDb };
}

function straightIn(chain: Chain, solver: SectionSolver): RigVoice | null {
  const way = driveWay(chain);
  const measured = measureWay(way, solver);
  if (measured.kind === 'silent') return null;
  const sections: readonly Section[] = [way.route.reference];
  const named = { id: STRAIGHT_IN, group: 'now', name: 'straight in' } as const;
  return { ...named, sections, figures: null, levelDb: measured.referenceDb };
}

function after(rig: Rig, edit: Edit): Chain | null {
  const result = applyEdit(rig, edit);
  return result.kind === 'ok' ? chainOf(result.rig) : null;
}

/** The longest cable of the main way at other lengths. */
function ladder(chain: Chain, units: UnitSystem) {
  const cables = mainRow(chain).cables.filter((cable) => cable !== null);
  const [longest] = cables.toSorted((one, other) => other.lengthM.value - one.lengthM.value);
  if (!longest) return [];
  return LADDER_M.filter((metres) => Math.abs(metres / longest.lengthM.value - 1) > 0.1).map(
    (metres) => ({
      metres,
      name: `${nameCable(chain, longest.id)} ${formatQuantity(metres, 'length', units)} long`,
      of: withElectricalPart(
        chain,
        { of: 'cable', id: longest.id },
        { ...longest, lengthM: entered(metres) },
      ),
    }),
  );
}

const otherGuitars = (chain: Chain) => {
  const playing = playingGuitar(chain);
  return chain.electrical.guitars.filter(({ id }) => id !== playing.id);
};

/** The chain with another cable where it ends. */
function byShopCable(chain: Chain, { lengthM, cPerMF }: ShopCable): Chain | null {
  const cable = mainRow(chain).cables.at(-1);
  if (!cable) return null;
  const shop = { ...cable, lengthM: entered(lengthM), cPerMF: entered(cPerMF), added: false };
  return withElectricalPart(chain, { of: 'cable', id: cable.id }, shop);
}
