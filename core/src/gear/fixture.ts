import { typicalCase, type Case, type CaseRule, type CaseSide, type JackKind } from './case';
import { fixtureNeed, type PowerNeed } from './powerNeed';

/// Things on a board that no signal runs through, or only a command.

export type FixtureClass =
  'strip' | 'controller' | 'channelSwitch' | 'junction' | 'tin' | 'reserved';

export interface Fixture {
  readonly id: string;
  readonly name: string;
  readonly fixtureClass: FixtureClass;
  readonly body: FixtureBody;
}

/** Its case, and what feeds it. */
export interface FixtureBody extends Case, PowerNeed {}

interface FixtureRule extends CaseRule {
  readonly label: string;
  readonly jacks: readonly (readonly [JackKind, CaseSide])[];
}

const rule = (
  label: string,
  sizeMm: readonly [number, number, number],
  massKg: number,
  jacks: FixtureRule['jacks'],
  switches = 0,
): FixtureRule => ({
  label,
  sizeM: sizeMm.map((mm) => mm / 1000) as unknown as CaseRule['sizeM'],
  massKg,
  jacks,
  switches,
});

export const FIXTURE_CLASSES: Readonly<Record<FixtureClass, FixtureRule>> = {
  strip: rule('mains strip', [250, 60, 45], 0.5, []),
  controller: rule(
    'foot controller',
    [230, 90, 50],
    0.9,
    [
      ['midi', 'back'],
      ['power', 'back'],
    ],
    4,
  ),
  channelSwitch: rule("amp's channel switch", [95, 70, 45], 0.4, [['control', 'back']], 2),
  junction: rule('junction jacks', [60, 40, 40], 0.2, [
    ['in', 'left'],
    ['out', 'right'],
  ]),
  tin: rule('tin', [90, 60, 20], 0.1, []),
  reserved: rule('reserved space', [70, 120, 50], 0.01, []),
};

export const fixtureOfClass = (
  fixtureClass: FixtureClass,
  id: string,
  name: string = FIXTURE_CLASSES[fixtureClass].label,
): Fixture => ({
  id,
  name,
  fixtureClass,
  body: {
    ...typicalCase(FIXTURE_CLASSES[fixtureClass], FIXTURE_CLASSES[fixtureClass].jacks),
    ...fixtureNeed(FIXTURE_CLASSES[fixtureClass].jacks.some(([kind]) => kind === 'power')),
  },
});
