import {
  assumed,
  entered,
  FIELD_RULES,
  findCable,
  formatQuantity,
  formatSignedDb,
  sayStraightIn,
  type CapacitanceAnswer,
  type Cable,
  type LengthBudget,
  type LikedCable,
  type LikedCableAnswer,
  type Rig,
  type UnitSystem,
  chainOf,
  type Chain,
} from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { memo, useMemo, useState } from 'react';
import { Disclosure } from '../../../ui/Disclosure';
import { QuantityField } from '../../../ui/QuantityField';
import { questionsWorker } from '../../../workers/workers';
import { AT_REST_MS, useLatest } from '../../../workers/useLatest';
import { Figure } from '../../../ui/Figure';
import type { PathActions } from '../usePathActions';
import { CapacitorSwitch } from './CapacitorSwitch';
import { PanelGroup } from '../../../ui/parts/PanelGroup';

const DROPS_DB = [0.5, 1, 3] as const;

interface Question {
  readonly rig: Chain;
  readonly rowId: string;
  readonly id: string;
}

interface Props extends Omit<Question, 'rig'> {
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly actions: PathActions;
}

/** What can be asked of a cable: how long it may be, what capacitance, and whether it is the cable at all. */
export const CableTools = memo(function CableTools(props: Props) {
  return (
    <>
      <LengthBudgets {...props} />
      <Disclosure title="Put the resonance somewhere">
        <CapacitanceFinder {...props} />
      </Disclosure>
      <Disclosure title="A capacitor switch in the plug">
        <CapacitorSwitch {...props} />
      </Disclosure>
      <Disclosure title="Keep a liked cable’s sound">
        <LikedCableFinder {...props} />
      </Disclosure>
      <Disclosure title="Pickup or cable?">
        <PickupOrCable {...props} />
      </Disclosure>
    </>
  );
});

const askBudgets = async ({ rig, rowId, id }: Question) => ({
  id,
  budgets: await questionsWorker().lengthBudgets(rig, rowId, id, DROPS_DB),
});

/** How long the selected cable may be before treble falls so far below straight in, all else as it stands. */
function LengthBudgets({ rig, rowId, id, units }: Props) {
  const chain = chainOf(rig);
  const question = useMemo(() => ({ rig: chain, rowId, id }), [chain, rowId, id]);
  const answer = useLatest(question, askBudgets, AT_REST_MS);
  // An answer for another cable would be read as one for this.
  const budgets = answer?.id === id ? answer.budgets : null;
  const reachPerM = 1 / findCable(rig, id)!.coil.value;
  return (
    <PanelGroup title={`Longest before treble falls below ${sayStraightIn(rig, units)}`}>
      <Box data-testid="budgets">
        {budgets?.every(({ kind }) => kind === 'outOfReach') ? (
          <Typography variant="body2">No cable is short enough; the loss is elsewhere.</Typography>
        ) : (
          <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto 1fr' }}>
            {DROPS_DB.map((dropDb, i) => (
              <Figure
                key={dropDb}
                name={`by ${dropDb} dB`}
                value={budgets ? sayBudget(budgets[i]!, reachPerM, units) : '…'}
              />
            ))}
          </Box>
        )}
      </Box>
    </PanelGroup>
  );
}

function sayBudget(budget: LengthBudget, reachPerM: number, units: UnitSystem): string {
  switch (budget.kind) {
    case 'upTo':
      return formatQuantity(budget.lengthM * reachPerM, 'length', units);
    case 'beyond':
      return `over ${formatQuantity(budget.lengthM * reachPerM, 'length', units)}`;
    case 'outOfReach':
      return 'none is short enough';
    case 'muted':
      return 'nothing comes through';
  }
}

const askCapacitance = async ({
  rig,
  rowId,
  wantedHz,
}: {
  rig: Chain;
  rowId: string;
  wantedHz: number;
}): Promise<CapacitanceAnswer> => questionsWorker().capacitanceFor(rig, rowId, wantedHz);

function CapacitanceFinder({ rig, rowId, id, units, actions }: Props) {
  const [wanted, setWanted] = useState(rig.electrical.approach.wantedHz);
  const chain = chainOf(rig);
  const question = useMemo(
    () => ({ rig: chain, rowId, wantedHz: wanted.value }),
    [chain, rowId, wanted],
  );
  const answer = useLatest(question, askCapacitance);
  const cable = findCable(rig, id)!;
  return (
    <>
      <QuantityField
        rule={FIELD_RULES.approach.wantedHz}
        value={wanted}
        units={units}
        assumedFrom="the approach"
        onChange={setWanted}
      />
      <Typography variant="body2" data-testid="capacitance">
        {answer ? sayCapacitance(answer, cable, units) : '…'}
      </Typography>
      {answer?.kind === 'ok' && answer.addF > 0 && (
        <Button size="small" onClick={() => addTo(cable, answer.addF, actions)}>
          Put it into this cable
        </Button>
      )}
    </>
  );
}

/** A capacitor in the plug of a cable, switched in, on top of one that is in already. */
function addTo(cable: Cable, addF: number, actions: PathActions): void {
  const value = addF + (cable.added ? cable.addedF.value : 0);
  const to = { ...cable, added: true, addedF: entered(value) };
  actions.edit({ kind: 'replace', part: { of: 'cable', to } });
}

function sayCapacitance(answer: CapacitanceAnswer, cable: Cable, units: UnitSystem): string {
  const pF = (farad: number) => formatQuantity(farad, 'capacitance', units);
  switch (answer.kind) {
    case 'noResonance':
      return 'There is no pickup’s resonance to place here.';
    case 'unreachable':
      return `Unreachable: between ${hz(answer.fromHz)} and ${hz(answer.toHz)} here.`;
    case 'ok': {
      const metres = Math.abs(answer.addF) / cable.cPerMF.value / cable.coil.value;
      const length = formatQuantity(metres, 'length', units);
      return answer.addF >= 0
        ? `${pF(answer.totalF)} in all: add ${pF(answer.addF)}, or ${length} more of this cable.`
        : `${pF(answer.totalF)} in all: ${pF(-answer.addF)} too much hangs there now, ${length} of this cable.`;
    }
  }
}

const hz = (frequency: number) => formatQuantity(frequency, 'frequency', 'metric');

const askLiked = async ({
  rig,
  rowId,
  liked,
}: {
  rig: Chain;
  rowId: string;
  liked: LikedCable;
}): Promise<LikedCableAnswer> => questionsWorker().keepLikedCable(rig, rowId, liked);

function LikedCableFinder({ rig, rowId, units }: Props) {
  const [lengthM, setLength] = useState(assumed(6));
  const [cPerMF, setCapacitance] = useState(assumed(110e-12));
  const chain = chainOf(rig);
  const question = useMemo(
    () => ({
      rig: chain,
      rowId,
      liked: { lengthM: lengthM.value, cPerMF: cPerMF.value, plugsF: 30e-12 },
    }),
    [chain, rowId, lengthM, cPerMF],
  );
  const answer = useLatest(question, askLiked);
  const shared = { units, assumedFrom: 'an ordinary cable' } as const;
  return (
    <>
      <QuantityField
        {...shared}
        rule={FIELD_RULES.cable.lengthM}
        label="Its length"
        value={lengthM}
        onChange={setLength}
      />
      <QuantityField
        {...shared}
        rule={FIELD_RULES.cable.cPerMF}
        label="Its capacitance"
        value={cPerMF}
        onChange={setCapacitance}
      />
      <Typography variant="body2" data-testid="liked">
        {answer ? sayLiked(answer, units) : '…'}
      </Typography>
    </>
  );
}

function sayLiked(answer: LikedCableAnswer, units: UnitSystem): string {
  switch (answer.kind) {
    case 'noBuffer':
      return 'The pickup drives the whole way: there is no buffer yet to add it at.';
    case 'cableTooLong':
      return `What goes to the buffer is already ${formatQuantity(answer.byF, 'capacitance', units)} more than the liked cable: shorten it.`;
    case 'ok':
      return `Add ${formatQuantity(answer.addF, 'capacitance', units)} at the buffer’s input: the pickup then feels that cable straight into the amp.`;
  }
}

const askWhich = async ({ rig, id }: { rig: Chain; id: string }) => ({
  id,
  all: await questionsWorker().pickupOrCable(rig, id),
});

function PickupOrCable({ rig, id }: Props) {
  const chain = chainOf(rig);
  const question = useMemo(() => ({ rig: chain, id }), [chain, id]);
  const answer = useLatest(question, askWhich);
  if (answer?.id !== id) return <Typography variant="body2">…</Typography>;
  return (
    <>
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        What either would do to the sound at the end: treble by itself, and where it resonates.
      </Typography>
      <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: '1fr auto' }}>
        {answer.all.map(({ kind, name, trebleDb, resonanceHz }) => (
          <Figure
            key={`${kind} ${name}`}
            name={kind === 'cable' ? `cable: ${name}` : name}
            value={`${formatSignedDb(trebleDb)} dB, ${resonanceHz === null ? 'none' : hz(resonanceHz)}`}
          />
        ))}
      </Box>
    </>
  );
}
