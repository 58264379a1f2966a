import {
  MOST_ITEMS,
  type ColumnTarget,
  type DecimalMark,
  type GearReport,
  type Table,
} from '@gullwind/contract';
import { GEAR_KINDS, gearOf, type GearKind, type Provenance } from '@gullwind/core';
import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from '@mui/material';
import { useSnackbar } from 'notistack';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { messageOf, useAddGearMutation, useRemoveGearMutation } from '../../app/api';
import { ChoiceField } from '../../ui/parts/ChoiceField';
import { useLatest } from '../../workers/useLatest';
import { filesWorker } from '../../workers/workers';
import { ImportPreview } from './ImportPreview';

interface Props {
  readonly name: string;
  readonly table: Table;
  readonly guessed: readonly ColumnTarget[];
  readonly onClose: () => void;
}

const SHOWN_PROBLEMS = 12;

const FROM: readonly (readonly [Provenance, string])[] = [
  ['measured', 'measured'],
  ['sheet', 'read off data sheets'],
  ['entered', 'entered by hand'],
  ['assumed', 'assumed'],
];

/** A table before it comes in: what each column is, what would become of each row, and the choice. */
export function ImportGear({ name, table, guessed, onClose }: Props) {
  const [columns, setColumns] = useState(guessed);
  const [kind, setKind] = useState<GearKind>('cable');
  const [from, setFrom] = useState<Provenance>(
    guessed.some((target) => target.kind === 'reading') ? 'measured' : 'entered',
  );
  const [mark, setMark] = useState<DecimalMark | null>(null);
  const report = useReport(table, columns, kind, from, mark);
  const add = useAdd(onClose);
  const count = report?.items.length ?? 0;
  const isMuch = count > MOST_ITEMS;
  return (
    <Dialog open onClose={onClose} maxWidth="lg" fullWidth aria-labelledby="import-title">
      <DialogTitle id="import-title">Import {name}</DialogTitle>
      <DialogContent>
        <Reading kind={kind} from={from} onKind={setKind} onFrom={setFrom} />
        {report && report.unsure !== null && (
          <Decimals cell={report.unsure} mark={mark} onMark={setMark} />
        )}
        <ImportPreview table={table} columns={columns} kind={kind} onChange={setColumns} />
        <Report report={report} />
        {isMuch && (
          <Alert severity="warning">
            {count} entries: at most {MOST_ITEMS} in one go.
          </Alert>
        )}
      </DialogContent>
      <Decision report={report} isMuch={isMuch} onAdd={add} onClose={onClose} />
    </Dialog>
  );
}

interface DecimalsProps {
  /** Two different numbers, and nothing in the file that says which. */
  readonly cell: string;
  readonly mark: DecimalMark | null;
  readonly onMark: (mark: DecimalMark | null) => void;
}

/** Asked once for a file whose numbers can be read in two ways. */
function Decimals({ cell, mark, onMark }: DecimalsProps) {
  return (
    <Alert severity={mark === null ? 'warning' : 'info'} sx={{ mb: 1.5, maxWidth: 460 }}>
      <ChoiceField
        label={`“${cell}” in this file is`}
        value={mark ?? ''}
        options={[
          ['', 'which?'],
          ['comma', cell.replace(',', '.')],
          ['point', cell.replaceAll(',', '')],
        ]}
        onChange={(value) => onMark(value === '' ? null : value)}
      />
    </Alert>
  );
}

interface ReadingProps {
  readonly kind: GearKind;
  readonly from: Provenance;
  readonly onKind: (kind: GearKind) => void;
  readonly onFrom: (from: Provenance) => void;
}

/** What the rows and their numbers are, where they do not say so themselves. */
function Reading({ kind, from, onKind, onFrom }: ReadingProps) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { md: '300px 1fr' }, columnGap: 4, mb: 1.5 }}>
      <Box>
        <ChoiceField
          label="Rows are"
          value={kind}
          options={GEAR_KINDS.map((one) => [one, gearOf(one).many.toLowerCase()] as const)}
          onChange={onKind}
        />
        <ChoiceField label="Numbers are" value={from} options={FROM} onChange={onFrom} />
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        A row may say its own kind, and a number where it is from. The capacitance of whole cables
        of one name at several lengths makes one entry: a straight line through the readings.
      </Typography>
    </Box>
  );
}

interface DecisionProps {
  readonly report: GearReport | null;
  readonly isMuch: boolean;
  readonly onAdd: (report: GearReport) => Promise<unknown>;
  readonly onClose: () => void;
}

/** All of it, the good ones, or nothing. */
function Decision({ report, isMuch, onAdd, onClose }: DecisionProps) {
  const count = report?.items.length ?? 0;
  const isGood = report?.problems.length === 0;
  const canAdd = count > 0 && !isMuch;
  const add = () => report && void onAdd(report);
  return (
    <DialogActions>
      <Button onClick={onClose}>Leave it outside</Button>
      {canAdd && !isGood && (
        <Button variant="outlined" onClick={add}>
          Add the {count} good ones
        </Button>
      )}
      <Button variant="contained" disabled={!canAdd || !isGood} onClick={add}>
        Add all {count}
      </Button>
    </DialogActions>
  );
}

function useReport(
  table: Table,
  columns: readonly ColumnTarget[],
  kind: GearKind,
  from: Provenance,
  mark: DecimalMark | null,
): GearReport | null {
  const question = useMemo(
    () => ({ table, reading: { columns, kind, from, mark } }),
    [table, columns, kind, from, mark],
  );
  const answer = useLatest(question, askReport);
  // What is added is what is shown: of another reading nothing is known yet.
  return answer?.question === question ? answer.report : null;
}

interface ReportQuestion {
  readonly table: Table;
  readonly reading: Parameters<ReturnType<typeof filesWorker>['gear']>[1];
}

const askReport = async (question: ReportQuestion) => ({
  question,
  report: await filesWorker().gear(question.table, question.reading),
});

function useAdd(onClose: () => void) {
  const [post] = useAddGearMutation();
  const [remove] = useRemoveGearMutation();
  const navigate = useNavigate();
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  return async ({ items }: GearReport) => {
    const answer = await post(items);
    if ('error' in answer)
      return void enqueueSnackbar(messageOf(answer.error), { variant: 'warning' });
    onClose();
    await navigate(`/gear?at=${items[0]!.id}`);
    enqueueSnackbar(
      `${items.length} ${items.length === 1 ? 'entry is' : 'entries are'} in the gear list.`,
      {
        autoHideDuration: 20_000,
        action: (key) => (
          <Button
            color="inherit"
            size="small"
            onClick={() => {
              closeSnackbar(key);
              void remove(items.map(({ id }) => id)).then((taken) => {
                if ('error' in taken)
                  enqueueSnackbar(messageOf(taken.error), { variant: 'warning' });
              });
            }}
          >
            Take them back
          </Button>
        ),
      },
    );
  };
}

function Report({ report }: { readonly report: GearReport | null }) {
  if (!report) return <Typography variant="body2">Reading …</Typography>;
  const { items, problems, notes, unsure } = report;
  if (unsure !== null && items.length === 0 && problems.length === 0)
    return (
      <Typography sx={{ mt: 1.5 }} data-testid="import-report" role="status">
        Say first what “{unsure}” is.
      </Typography>
    );
  return (
    <Box sx={{ mt: 1.5 }} data-testid="import-report" role="status">
      <Typography sx={{ fontWeight: 600 }}>
        {items.length} {items.length === 1 ? 'entry' : 'entries'} can come in
        {problems.length > 0
          ? `; ${problems.length} ${problems.length === 1 ? 'row' : 'rows'} cannot`
          : ''}
        .
      </Typography>
      {notes.map((note) => (
        <Typography key={note} variant="body2">
          {note}
        </Typography>
      ))}
      {problems.slice(0, SHOWN_PROBLEMS).map(({ row, message }, i) => (
        <Typography key={i} variant="body2" sx={{ color: 'error.main', overflowWrap: 'anywhere' }}>
          Row {row}: {message.slice(0, 300)}
        </Typography>
      ))}
      {problems.length > SHOWN_PROBLEMS && (
        <Typography variant="body2">and {problems.length - SHOWN_PROBLEMS} more</Typography>
      )}
    </Box>
  );
}
