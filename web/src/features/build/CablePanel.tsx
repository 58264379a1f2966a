import {
  cableCost,
  expectedF,
  findCable,
  findingOf,
  formatQuantity,
  guideFor,
  LAYERS,
  sayCableM,
  takeMeasured,
  toleranceShare,
  type BuildCable,
  type CableState,
  type CableTest,
  type Edit,
  type GearItem,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { PanelGroup } from '../../ui/parts/PanelGroup';
import { TestForm } from './TestForm';

interface Props {
  readonly rigId: string;
  readonly revision: number;
  readonly rig: Rig;
  readonly gear: readonly GearItem[];
  readonly cable: BuildCable;
  readonly state: CableState;
  readonly tests: readonly CableTest[];
  readonly units: UnitSystem;
  readonly onEdit: (edit: Edit) => void;
  readonly onPassed: () => void;
  readonly onClose: () => void;
}

/** One cable: what it is, how it gets its plugs, what was found of it. */
export function CablePanel(props: Props) {
  const { rig, cable, state, tests, units, onEdit, onClose } = props;
  const own = tests.filter((one) => one.cable === cable.id);
  const audio = findCable(rig, cable.id) ?? null;
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Typography component="h2" sx={{ fontSize: 24, fontWeight: 600, lineHeight: 1.2 }}>
          {cable.label}
        </Typography>
        <Typography sx={{ flex: 1 }}>{state}</Typography>
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </Box>
      <Typography>{`${cable.from} to ${cable.to}`}</Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {`${cable.stock}, ${sayCableM(cable.lengthM, units)}${cable.cutM > 0 ? `, cut to ${sayCableM(cable.cutM, units)}` : ', as bought'}`}
      </Typography>
      {audio && (
        <Typography variant="body2">
          {`A meter should read ${formatQuantity(expectedF(audio), 'capacitance', units)} ± ${Math.round(toleranceShare(audio) * 100)} %.`}
        </Typography>
      )}
      {audio && !cable.isBought && <Cost {...props} />}
      <TestForm {...props} audio={audio} key={cable.id} />
      <Found tests={own} rig={rig} onEdit={onEdit} />
      {!cable.isBought && <HowTo {...props} />}
    </>
  );
}

/** Made here against bought; nothing where the gear list does not say. */
function Cost({ rig, gear, cable }: Pick<Props, 'rig' | 'gear' | 'cable'>) {
  const { made, bought } = cableCost(rig, gear, cable);
  const words = [
    made === null ? '' : `made about ${made.toFixed(2)}`,
    bought === null ? '' : `bought from the list ${bought.toFixed(2)}`,
  ].filter(Boolean);
  return words.length === 0 ? null : (
    <Typography variant="body2">{`${words.join('; ')}.`}</Typography>
  );
}

/** What was found of it, the latest first. */
function Found({
  tests,
  rig,
  onEdit,
}: { readonly tests: readonly CableTest[] } & Pick<Props, 'rig' | 'onEdit'>) {
  if (tests.length === 0) return null;
  return (
    <PanelGroup title="Tested">
      {tests.toReversed().map((test) => {
        const { isPassed, says } = findingOf(test, findCable(rig, test.cable) ?? null);
        const take = takeMeasured(rig, test);
        return (
          <Box key={test.id} sx={{ mb: 0.75 }}>
            <Typography variant="body2">
              {`${test.at.slice(0, 10)}${test.by === '' ? '' : `, ${test.by}`}: ${isPassed === null ? 'not all tried' : isPassed ? 'right' : 'not right'}${test.capacitanceF === null ? '' : `, ${formatQuantity(test.capacitanceF, 'capacitance', 'metric')}`}`}
            </Typography>
            {says.map((one) => (
              <Typography key={one} variant="body2" sx={{ color: 'error.main' }}>
                {one}
              </Typography>
            ))}
            {take && (
              <Button size="small" onClick={() => onEdit(take)}>
                Into the rig as measured
              </Button>
            )}
          </Box>
        );
      })}
    </PanelGroup>
  );
}

function HowTo({ rig, cable }: Pick<Props, 'rig' | 'cable'>) {
  const guide = guideFor(cable, rig.build.ways);
  return (
    <>
      <PanelGroup title="How">
        {guide.cautions.map((one) => (
          <Typography key={one} variant="body2" sx={{ fontWeight: 600 }}>
            {one}
          </Typography>
        ))}
        <Typography variant="body2">{guide.strip}</Typography>
        <Box component="ol" sx={{ m: 0, pl: 2.5, fontSize: 14 }}>
          {guide.order.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </Box>
      </PanelGroup>
      <PanelGroup title="What goes wrong">
        <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: 14 }}>
          {guide.wrong.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </Box>
      </PanelGroup>
      {cable.kind === 'audio' && (
        <PanelGroup title="What each layer is for">
          {LAYERS.map(([layer, does]) => (
            <Typography key={layer} variant="body2">{`${layer}: ${does}`}</Typography>
          ))}
        </PanelGroup>
      )}
    </>
  );
}
