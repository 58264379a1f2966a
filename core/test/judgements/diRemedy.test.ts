import { destinationOfKind, gearItem, type Destination, type GearItem } from '../../src/gear';
import { adviseRig } from '../../src/judgements';
import { diRemedy } from '../../src/judgements/diRemedy';
import { applyEdits, insertBuffer, newRig, setCableLength, type Rig } from '../../src/rig';

const buffered = applyEdits(newRig('buffered'), insertBuffer(newRig('buffered'), 0));

describe('a DI where plans take the end for given', () => {
  const to = (rig: Rig, end: Destination): Rig =>
    applyEdits(rig, {
      kind: 'replace',
      part: { of: 'destination', to: { ...end, id: rig.electrical.destinations[0]!.id } },
    });
  const mixer = destinationOfKind('mixer', 'desk');
  const cured = (rig: Rig, kind: string, gear: readonly GearItem[] = []) => {
    const advised = adviseRig(rig, gear, 'metric').judgements.find((one) => one.kind === kind)!;
    const made = applyEdits(rig, advised.remedy!.edit);
    expect(adviseRig(made, gear, 'metric').judgements.map((one) => one.kind)).not.toContain(kind);
    return { said: advised.remedy!.said, end: made.electrical.destinations[0]!, made };
  };

  test('stands at the board instead of a long unbalanced cable', () => {
    const rig = to(applyEdits(buffered, setCableLength('l2', 15)), mixer);
    const { said: words, end, made } = cured(rig, 'longUnbalanced');
    expect(words).toBe(
      'Put transformer DI at the board: behind it the cable to the mixer is balanced',
    );
    expect(end.kind).toBe('passiveDi');
    expect(made.electrical.rows[0]!.cables.at(-1)!.lengthM.value).toBe(1);
  });

  test('is of the gear list where it has one that fits', () => {
    const own = gearItem('iron', 'destination', destinationOfKind('passiveDi', 'Iron'));
    const rig = to(applyEdits(buffered, setCableLength('l2', 15)), mixer);
    expect(cured(rig, 'longUnbalanced', [own]).end).toMatchObject({ name: 'Iron', gear: 'iron' });
    expect(cured(rig, 'longUnbalanced', [{ ...own, retired: true }]).end.name).not.toBe('Iron');
  });

  test('is an active one for a pickup', () => {
    const rig = to(newRig('straight'), destinationOfKind('passiveDi', 'iron'));
    const { said: words, end } = cured(rig, 'wrongDi');
    expect(words).toBe('Take active DI, 1 MΩ instead of iron');
    expect(end).toMatchObject({ kind: 'activeDi', id: rig.electrical.destinations[0]!.id });
  });

  test('is offered where the main row ends, and for nothing else', () => {
    const rig = to(newRig('straight'), destinationOfKind('passiveDi', 'iron'));
    const { judgements } = adviseRig(rig, [], 'metric');
    const wrong = judgements.find(({ kind }) => kind === 'wrongDi')!;
    expect(diRemedy(rig, wrong, [])).not.toBeNull();
    expect(diRemedy(rig, { ...wrong, spot: { kind: 'destination', id: 'e9' } }, [])).toBeNull();
    expect(diRemedy(rig, { ...wrong, kind: 'weakEnd' }, [])).toBeNull();
  });
});
