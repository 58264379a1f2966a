import { Box, Checkbox, FormControlLabel, Typography } from '@mui/material';
import { OneOfFew } from '../../ui/OneOfFew';
import { EndEarly } from './HuntFinding';
import { useExpected, type HuntHands, type HuntNow } from './useHunt';

/** By which order it is asked, and how long either is expected to take from here. */
export function OrderPart({ now, hands }: { readonly now: HuntNow; readonly hands: HuntHands }) {
  const expected = useExpected(now);
  const { hunt, state } = now;
  const say = (minutes: number | undefined) =>
    minutes === undefined ? '… min' : `${minutes.toFixed(1)} min`;
  return (
    <Box sx={{ mb: 1.5 }}>
      <OneOfFew
        label="Order of the questions"
        value={hunt.order}
        options={[
          ['best', `Most told per minute · ${say(expected?.best)}`],
          ['usual', `Amp, cable, guitar, board · ${say(expected?.usual)}`],
        ]}
        onChange={(order) => hands.set({ order })}
      />
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Expected from here to the cause, its remedy included.
      </Typography>
      <FormControlLabel
        label="It comes and goes"
        control={
          <Checkbox
            size="small"
            checked={hunt.comesAndGoes}
            onChange={(_, comesAndGoes) => hands.set({ comesAndGoes })}
          />
        }
      />
      {state.next && <EndEarly suspect={state.suspects[0] ?? null} hands={hands} />}
    </Box>
  );
}
