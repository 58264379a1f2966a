import { draftKey, useDraft } from '../../../app/drafts';
import { Box, Typography } from '@mui/material';
import { USUAL_READINGS, type ItemOf } from '@gullwind/core';
import { OneOfFew } from '../../../ui/OneOfFew';
import { ConnectionDrawing } from '../ConnectionDrawing';
import { useMeter } from '../instruments';
import { useKeep } from '../keep';
import {
  connectedCable,
  findingOfCables,
  plausibilityOfPiece,
  pieceOf,
  type Way,
} from '../model/cableFinding';
import { Finding } from './Finding';
import { ItemChoice } from './ItemChoice';
import { ofKind, type JobProps } from './jobProps';
import { PieceLines } from './PieceLines';
import { CABLES, usePieces } from './usePieces';
import { ReadingBar } from './ReadingBar';
import { WHOLE_CABLE } from './rules';

const WAYS = [
  ['one', 'one cable'],
  ['lengths', 'several lengths of one kind'],
  ['compare', 'compare kinds'],
] as const satisfies readonly (readonly [Way, string])[];

const AT = { quantity: 'Cp', frequencyHz: 1000 } as const;

/** Cables by capacitance: one, a kind by several lengths, or kinds against each other, fairly. */
export function CablesJob(props: JobProps) {
  const cables = ofKind(props.gear, 'cable');
  if (cables.length === 0)
    return (
      <Typography>There is no cable on the gear list to measure. Add one there first.</Typography>
    );
  return <CablesOnBench {...props} cables={cables} />;
}

function CablesOnBench(props: JobProps & { readonly cables: readonly ItemOf<'cable'>[] }) {
  const { cables, units, meter } = props;
  const [way, setWay] = useDraft<Way>(draftKey(CABLES, 'way'), 'one');
  const pieces = usePieces(pieceOf(cables[0]!));
  const item = cables.find(({ id }) => id === pieces.at.gear) ?? cables[0]!;
  const { read, isReading, problem } = useMeter(meter);
  const plausibility = plausibilityOfPiece(item, pieces.at);
  const take = async () => {
    const answer = await read(connectedCable(item, pieces.at, way), AT, USUAL_READINGS);
    if (answer) pieces.read(pieces.at.key, answer.values);
  };
  return (
    <>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center', mb: 1 }}>
        <ItemChoice
          label="Which cable"
          items={cables}
          value={item.id}
          onChange={(id) => pieces.clear(pieceOf(cables.find((one) => one.id === id)!))}
        />
        <OneOfFew
          label="What is measured"
          value={way}
          options={WAYS}
          onChange={(to) => {
            setWay(to);
            if (to !== 'compare') pieces.keepOnly(item.id);
          }}
        />
      </Box>
      <ConnectionDrawing setup="cable" />
      <PieceLines way={way} pieces={pieces} cables={cables} units={units} />
      <ReadingBar
        {...{ units, isReading, problem, plausibility }}
        chosen={meter}
        rule={WHOLE_CABLE}
        values={pieces.at.values}
        summary={pieces.at.summary}
        onTake={() => void take()}
        onTyped={(value) => pieces.read(pieces.at.key, [value])}
        onForget={() => pieces.forget(pieces.at.key)}
      />
      <CableFindingPart {...props} way={way} pieces={pieces.pieces} item={item} />
    </>
  );
}

type FindingProps = JobProps & {
  readonly cables: readonly ItemOf<'cable'>[];
  readonly way: Way;
  readonly pieces: ReturnType<typeof usePieces>['pieces'];
  readonly item: ItemOf<'cable'>;
};

function CableFindingPart({ cables, way, pieces, item, units, meter }: FindingProps) {
  const { keep, accept } = useKeep();
  const found = findingOfCables(way, pieces, cables, units);
  if (!found) return null;
  const sent = { ...found.sent, instrument: meter.name, isSimulated: meter.isSimulated };
  return (
    <Finding
      words={found.words}
      doubt={found.doubt}
      item={item}
      draft={CABLES}
      onKeep={() => keep(sent)}
      onAccept={found.values.length === 0 ? null : () => accept(item, found.values, meter, sent)}
    />
  );
}
