import type { Rig, UnitSystem } from '@gullwind/core';
import ErrorOutlined from '@mui/icons-material/ErrorOutlined';
import { Box, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { memo } from 'react';
import type { PinnedSound } from '../../workers/questions.worker';
import type { Analysed } from '../../workers/useAnalysis';
import type { Advised, MeasuredSides } from '../../workers/useSideQuestions';
import type { AnalysedStates } from '../../workers/useStates';
import type { ToleranceWork } from '../../workers/useTolerance';
import { AdvicePanel } from './AdvicePanel';
import { FiguresPanel } from './FiguresPanel';
import { PinsPanel } from './PinsPanel';
import { ScenesPanel } from './ScenesPanel';
import { StatesPanel } from './StatesPanel';
import type { PathActions } from './usePathActions';

/** What the middle column speaks of. */
export type Look = 'now' | 'states' | 'scenes' | 'advice' | 'pins';

const LOOKS: readonly (readonly [Look, string, string])[] = [
  ['now', 'now', 'As it stands'],
  ['states', 'states', 'All positions of all switches'],
  ['scenes', 'scenes', 'Scenes side by side'],
  ['advice', 'advice', 'What is to be said of it'],
  ['pins', 'pins', 'States kept to compare with'],
];

interface Props {
  readonly look: Look;
  readonly rig: Rig;
  readonly rowId: string;
  readonly analysed: Analysed | null;
  readonly advised: Advised | null;
  /** How many there are. */
  readonly warnings: number;
  readonly states: AnalysedStates | null;
  readonly uncounted: ReadonlySet<string>;
  readonly pinned: readonly PinnedSound[];
  readonly sides: MeasuredSides | null;
  readonly work: ToleranceWork;
  readonly units: UnitSystem;
  readonly actions: PathActions;
  readonly onLook: (look: Look) => void;
  readonly onCount: (id: string, counts: boolean) => void;
}

export const JudgementColumn = memo(function JudgementColumn(props: Props) {
  const { look, warnings, onLook } = props;
  return (
    <Box
      component="section"
      aria-label="Figures against straight in"
      tabIndex={0}
      sx={{
        borderLeft: 1,
        borderColor: 'divider',
        px: 2,
        py: 1,
        overflowY: 'auto',
        overflowX: 'hidden',
        scrollbarWidth: 'thin',
      }}
    >
      <LookSwitch look={look} warnings={warnings} onLook={onLook} />
      <Looked {...props} />
    </Box>
  );
});

/** Drawn again only when another side is looked at. */
const LookSwitch = memo(function LookSwitch({
  look,
  warnings,
  onLook,
}: Pick<Props, 'look' | 'warnings' | 'onLook'>) {
  return (
    <ToggleButtonGroup
      exclusive
      fullWidth
      size="small"
      value={look}
      aria-label="What to look at"
      onChange={(_event, next: Look | null) => next && onLook(next)}
      sx={{
        mb: 0.75,
        '& button': { py: 0, px: 0.25, fontSize: 13, flex: '1 1 auto', width: 'auto' },
      }}
    >
      {LOOKS.map(([value, word, title]) => (
        <ToggleButton key={value} value={value} title={title}>
          {word}
          {value === 'advice' && warnings > 0 && <Warnings count={warnings} />}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
});

/** How many warnings stand behind a tab. */
function Warnings({ count }: { count: number }) {
  return (
    <Box
      component="span"
      data-testid="warnings"
      sx={{ ml: 0.4, display: 'inline-flex', alignItems: 'center', color: 'warning.main' }}
    >
      <ErrorOutlined sx={{ fontSize: 13 }} titleAccess={count > 1 ? 'warnings' : 'warning'} />
      {count > 1 && count}
    </Box>
  );
}

function Looked(props: Props) {
  const { look, rig, analysed, advised, states, uncounted, pinned, sides, work, units, actions } =
    props;
  const nowDb = analysed?.analysis.kind === 'sounding' ? analysed.analysis.figures.trebleDb : null;
  switch (look) {
    case 'now':
      return (
        <FiguresPanel analysed={analysed} work={work} units={units} onSelect={actions.select} />
      );
    case 'states':
      return (
        <StatesPanel
          analysed={states}
          nowDb={nowDb}
          uncounted={uncounted}
          onRecall={actions.recall}
          onCount={props.onCount}
        />
      );
    case 'scenes':
      return <ScenesPanel analysed={sides} actions={actions} />;
    case 'advice':
      return <AdvicePanel rig={rig} advised={advised} units={units} actions={actions} />;
    case 'pins':
      return <PinsPanel rig={rig} nowDb={nowDb} pinned={pinned} work={work} actions={actions} />;
  }
}
