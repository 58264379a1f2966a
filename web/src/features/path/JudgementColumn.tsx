import { Box, ToggleButton, ToggleButtonGroup } from '@mui/material';
import type { Analysed } from '../../workers/useAnalysis';
import type { AnalysedStates } from '../../workers/useStates';
import { FiguresPanel } from './FiguresPanel';
import { StatesPanel } from './StatesPanel';
import type { PathActions } from './usePathActions';

/** What the middle column speaks of: the rig as its switches stand, or all their combinations. */
export type Look = 'now' | 'states';

interface Props {
  readonly look: Look;
  readonly analysed: Analysed | null;
  readonly states: AnalysedStates | null;
  readonly left: ReadonlySet<string>;
  readonly actions: PathActions;
  readonly onLook: (look: Look) => void;
  readonly onCount: (id: string, counts: boolean) => void;
}

export function JudgementColumn({ look, analysed, states, left, actions, onLook, onCount }: Props) {
  const sounding = analysed?.analysis.kind === 'sounding' ? analysed.analysis : null;
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
        scrollbarWidth: 'thin',
      }}
    >
      <ToggleButtonGroup
        exclusive
        fullWidth
        size="small"
        value={look}
        aria-label="Which states"
        onChange={(_event, next: Look | null) => next && onLook(next)}
        sx={{ mb: 0.75, '& button': { py: 0, fontSize: 14 } }}
      >
        <ToggleButton value="now">as it stands</ToggleButton>
        <ToggleButton value="states">all switches</ToggleButton>
      </ToggleButtonGroup>
      {look === 'now' ? (
        <FiguresPanel analysed={analysed} onSelect={actions.select} />
      ) : (
        <StatesPanel
          analysed={states}
          nowDb={sounding?.figures.trebleDb ?? null}
          left={left}
          onStand={actions.stand}
          onCount={onCount}
        />
      )}
    </Box>
  );
}
