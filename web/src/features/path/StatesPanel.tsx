import {
  formatSignedDb,
  nameSwitch,
  sayOn,
  switchesOn,
  switchNumbers,
  type ExtremeState,
  type Rig,
  type StatesSounding,
} from '@gullwind/core';
import { Box, Checkbox, styled, Typography } from '@mui/material';
import { LineButton } from '../../ui/LineButton';
import { memo } from 'react';
import type { AnalysedStates } from '../../workers/useStates';
import { Figure } from '../../ui/Figure';
import { StatesHistogram } from './StatesHistogram';

interface Props {
  readonly analysed: AnalysedStates | null;
  /** T of the rig as it stands, where it sounds. */
  readonly nowDb: number | null;
  readonly uncounted: ReadonlySet<string>;
  readonly onRecall: (positions: Readonly<Record<string, boolean>>) => void;
  readonly onCount: (id: string, counts: boolean) => void;
}

/** What switching alone can do to the sound. */
export const StatesPanel = memo(function StatesPanel({
  analysed,
  nowDb,
  uncounted,
  onRecall,
  onCount,
}: Props) {
  if (!analysed) return <Typography variant="body2">Counting …</Typography>;
  const { rig, rowId, states } = analysed;
  const switches = switchesOn(rig, rowId);
  const shared = { rig, switches, onRecall };
  if (states.kind === 'nothingHeard') {
    return <Typography variant="body2">Nothing comes through in any of these states.</Typography>;
  }
  return (
    <>
      <Typography variant="body2" data-testid="states-counted">
        {sayCount(states)}
      </Typography>
      <SpreadFigures states={states} />
      <StatesHistogram states={states} nowDb={nowDb} />
      <Extreme {...shared} name="Brightest" extreme={states.brightest} />
      <Extreme {...shared} name="Dullest" extreme={states.dullest} />
      <Counted rig={rig} switches={switches} uncounted={uncounted} onCount={onCount} />
    </>
  );
});

function SpreadFigures({ states }: { readonly states: StatesSounding }) {
  return (
    <Box
      component="dl"
      sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 1 }}
    >
      <Figure
        name="Spread"
        value={`${states.spreadDb.toFixed(2)} dB`}
        large
        testId="spread"
        title="Brightest less dullest: how far apart the sound gets by switching alone."
      />
      {states.calmSpreadDb !== null && (
        <Figure
          name="without the fuzz"
          value={`${states.calmSpreadDb.toFixed(2)} dB`}
          title="A low-impedance fuzz is meant to change the sound."
        />
      )}
      <Figure
        name="Mean"
        value={`${formatSignedDb(states.meanDb, 2)} ± ${states.deviationDb.toFixed(2)} dB`}
      />
    </Box>
  );
}

function sayCount({ switches, count, isCapped, linksLeft }: StatesSounding): string {
  const many =
    count < 1e6 ? count.toLocaleString('en') : count.toExponential(1).replace('e+', ' × 10^');
  const said = `${switches} ${switches === 1 ? 'switch' : 'switches'}, ${many} ${count === 1 ? 'state' : 'states'} in which something is heard.`;
  const caps = [
    ...(isCapped ? ['Too many loops to tell all apart: some count as open only.'] : []),
    ...(linksLeft > 0
      ? [`Too many groups of linked switches: ${linksLeft} of them stand as they are.`]
      : []),
  ];
  return [said, ...caps].join(' ');
}

interface ExtremeProps {
  readonly name: string;
  readonly rig: Rig;
  readonly switches: readonly string[];
  readonly extreme: ExtremeState;
  readonly onRecall: Props['onRecall'];
}

/** One end of the spread by the names that are on in it; a press recalls it. */
function Extreme({ name, rig, switches, extreme, onRecall }: ExtremeProps) {
  const ties = extreme.ties > 1 ? ` (one of ${extreme.ties.toLocaleString('en')} alike)` : '';
  return (
    <LineButton type="button" title="Recall this state" onClick={() => onRecall(extreme.positions)}>
      <i>{formatSignedDb(extreme.trebleDb, 2)}</i>
      <b>{name}</b>: {sayOn(rig, switches, extreme.positions)}
      {ties}
    </LineButton>
  );
}

const CountLabel = styled('label')({
  display: 'flex',
  alignItems: 'center',
  fontSize: 14,
  lineHeight: 1.2,
});

interface CountedProps extends Pick<Props, 'uncounted' | 'onCount'> {
  readonly rig: Rig;
  readonly switches: readonly string[];
}

function Counted({ rig, switches, uncounted, onCount }: CountedProps) {
  const numbers = switchNumbers(rig);
  return (
    <Box component="fieldset" sx={{ border: 0, m: 0, mt: 1, p: 0 }}>
      <Typography component="legend" variant="h2" sx={{ p: 0 }}>
        Switches that count
      </Typography>
      {switches.map((id) => (
        <CountLabel key={id}>
          <Checkbox
            size="small"
            sx={{ p: '2px', mr: 0.5 }}
            checked={!uncounted.has(id)}
            onChange={(event) => onCount(id, event.target.checked)}
          />
          <span>
            {numbers.get(id)} {nameSwitch(rig, id)}
          </span>
        </CountLabel>
      ))}
    </Box>
  );
}
