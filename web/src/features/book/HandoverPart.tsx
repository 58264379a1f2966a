import {
  chainOf,
  mainRow,
  PAPERS,
  slug,
  type BookBlock,
  type ChainWay,
  type Handover,
  type HandoverQuestion,
  type Paper,
} from '@gullwind/core';
import { Box, Button, GlobalStyles, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { sayFailure } from '../../app/failures';
import { readItalicFont, readPrintFont } from '../../app/print/faces';
import { today } from '../../app/today';
import { DrawingSvg } from '../../ui/DrawingSvg';
import { AT_REST_MS, useLatest } from '../../workers/useLatest';
import { useLongWork } from '../../workers/useLongWork';
import { questionsWorker } from '../../workers/workers';
import { saveBytes } from '../files';
import type { BookProps } from './bookProps';
import { LEAF_TITLE } from './Leaf';
import { PlainTable } from './PlainTable';

const ask = (question: HandoverQuestion): Promise<Handover> => questionsWorker().handover(question);
const NOBODY = new Map<string, ChainWay>();

/** How sure the figures of the main way are; null until that is drawn. */
function useBands({ rig }: BookProps) {
  const chain = chainOf(rig);
  const question = useMemo(
    () => ({ way: { chain, rowId: mainRow(chain).id }, others: NOBODY }),
    [chain],
  );
  const { state } = useLongWork('tolerance', question, { begins: true });
  return state.kind === 'done' ? (state.answer.tolerance?.figures ?? null) : null;
}

/** All that is handed over, as it will be on paper. */
export function HandoverPart(props: BookProps) {
  const { open, rig, gear, records, hunts, units } = props;
  const bands = useBands(props);
  const question = useMemo(
    (): HandoverQuestion => ({
      rig,
      gear,
      records,
      hunts,
      units,
      bands,
      today: today(),
      revision: open.basedOn,
    }),
    [rig, gear, records, hunts, units, bands, open.basedOn],
  );
  const book = useLatest(question, ask, AT_REST_MS);
  const [paper, setPaper] = useState<Paper>(units === 'metric' ? 'a4' : 'letter');
  if (!book) return <Typography role="status">Writing the book …</Typography>;
  return (
    <Box>
      <GlobalStyles styles={`@page { size: ${PAPERS[paper].label}; margin: 14mm; }`} />
      <OutBar book={book} paper={paper} onPaper={setPaper} isSure={bands !== null} />
      <BookLeaves book={book} />
    </Box>
  );
}

interface OutProps {
  readonly book: Handover;
  readonly paper: Paper;
  readonly onPaper: (paper: Paper) => void;
  readonly isSure: boolean;
}

function OutBar({ book, paper, onPaper, isSure }: OutProps) {
  const [isMaking, setMaking] = useState(false);
  const save = async () => {
    setMaking(true);
    try {
      const [{ bookPdf }, plain, italic] = await Promise.all([
        import('./out/bookPdf'),
        readPrintFont(),
        readItalicFont(),
      ]);
      const bytes = await bookPdf(book, paper, { plain, italic });
      saveBytes(`${slug(book.title).replaceAll('_', '-')}-book.pdf`, bytes, 'application/pdf');
    } catch (error) {
      sayFailure(
        `The file could not be made: ${error instanceof Error ? error.message : String(error)}`,
      );
    }
    setMaking(false);
  };
  return (
    <Box
      data-no-print=""
      sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 2, flexWrap: 'wrap' }}
    >
      <Button variant="contained" disabled={isMaking} onClick={() => void save()}>
        {isMaking ? 'Making the PDF …' : `PDF on ${PAPERS[paper].label}`}
      </Button>
      <Button variant="outlined" onClick={() => window.print()}>
        Print
      </Button>
      {(Object.keys(PAPERS) as Paper[])
        .filter((one) => one !== paper)
        .map((one) => (
          <Button key={one} color="inherit" onClick={() => onPaper(one)}>
            {`${PAPERS[one].label} instead`}
          </Button>
        ))}
      <Typography variant="body2" role="status" sx={{ color: 'text.secondary' }}>
        {isSure ? '' : 'How sure the figures are is being drawn …'}
      </Typography>
    </Box>
  );
}

/** The pages, one under the other. */
const BookLeaves = ({ book }: { readonly book: Handover }) => (
  <Box component="article" aria-label="The handover book" sx={LEAVES}>
    <Typography component="h2" sx={{ ...LEAF_TITLE, fontSize: 38 }}>
      {book.title}
    </Typography>
    <Typography sx={{ borderBottom: 1, borderColor: 'text.primary', pb: 0.5 }}>
      {book.under}
    </Typography>
    {book.sections.map(({ id, title, blocks }) => (
      <Box key={id} component="section" data-section={id} sx={{ mt: 3 }}>
        <Typography component="h3" sx={{ ...LEAF_TITLE, fontSize: 23 }}>
          {title}
        </Typography>
        {blocks.map((block, i) => (
          <Block key={i} block={block} />
        ))}
      </Box>
    ))}
  </Box>
);

const LEAVES = {
  maxWidth: 820,
  '@media print': { maxWidth: 'none', color: 'black', '& *': { color: 'black !important' } },
} as const;

function Block({ block }: { readonly block: BookBlock }) {
  switch (block.kind) {
    case 'text':
      return block.isCaution ? (
        <Typography sx={{ borderLeft: 4, borderColor: 'text.primary', pl: 1.25, my: 0.75 }}>
          {block.text}
        </Typography>
      ) : (
        <Typography sx={{ my: 0.5 }}>{block.text}</Typography>
      );
    case 'list':
      return (
        <Box
          component={block.isOrdered ? 'ol' : 'ul'}
          sx={{ pl: 3, my: 0.75, '& li': { mb: 0.25 } }}
        >
          {block.items.map((item) => (
            <li key={item}>{item}</li>
          ))}
        </Box>
      );
    case 'table':
      return <BookTable table={block.table} />;
    case 'drawing':
      return (
        <Box role="img" aria-label={block.drawing.title} sx={DRAWING}>
          <DrawingSvg {...block.drawing} />
        </Box>
      );
  }
}

/** Black on white, also by night: it is what will be on paper. */
const DRAWING = {
  bgcolor: 'white',
  my: 1,
  p: 1,
  breakInside: 'avoid',
  '& svg': { display: 'block', width: '100%', height: 'auto', maxHeight: 560 },
} as const;

function BookTable({
  table: { columns, widths, rows },
}: {
  readonly table: Extract<BookBlock, { kind: 'table' }>['table'];
}) {
  const whole = widths.reduce((sum, one) => sum + one, 0);
  return (
    <Box sx={{ overflowX: 'auto', my: 0.75 }}>
      <PlainTable>
        <thead>
          <tr>
            {columns.map((column, i) => (
              <th key={i} scope="col" style={{ width: `${(100 * widths[i]!) / whole}%` }}>
                {column}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((cells, i) => (
            <tr key={i}>
              {cells.map((cell, k) => (
                <td key={k}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </PlainTable>
    </Box>
  );
}
