import type { Instrument } from '@gullwind/contract';
import { Box, Button, Typography } from '@mui/material';
import { BarChoice } from '../../ui/BarChoice';
import { BY_HAND, sayName, type Chosen, type useInstruments } from './instruments';

type Props = Pick<ReturnType<typeof useInstruments>, 'all' | 'chosen' | 'choose' | 'lookAgain'> & {
  readonly kind: Instrument['kind'];
};

const HAND = { meter: 'values typed by hand', sweep: 'a response from a file (CSV)' } as const;

/** Which instrument is used, and whether it answers. */
export function InstrumentChoice({ kind, all, chosen, choose, lookAgain }: Props) {
  const gone = all.filter(({ isReachable }) => !isReachable);
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, flexWrap: 'wrap' }}>
      <BarChoice label={`The ${kind}`} value={chosen.id} onChange={choose}>
        {all.map((one) => (
          <option key={one.id} value={one.id}>
            {one.isReachable ? sayName(one) : `${one.id}: does not answer`}
          </option>
        ))}
        <option value={BY_HAND}>{HAND[kind]}</option>
      </BarChoice>
      <Simulated chosen={chosen} />
      {gone.length > 0 && (
        <Typography role="alert" variant="body2" sx={{ color: 'warning.main' }}>
          {gone[0]!.problem}{' '}
          <Button size="small" onClick={() => void lookAgain()}>
            Look again
          </Button>
        </Typography>
      )}
    </Box>
  );
}

/** What is made up says so wherever it goes. */
export const Simulated = ({ chosen }: { readonly chosen: Pick<Chosen, 'isSimulated'> }) =>
  chosen.isSimulated ? (
    <Typography
      component="span"
      sx={{ fontSize: 12.5, border: '1px dashed', borderColor: 'warning.main', px: 0.75 }}
    >
      simulated
    </Typography>
  ) : null;
