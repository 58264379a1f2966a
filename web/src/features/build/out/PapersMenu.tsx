import { guardCell, toCsv } from '@gullwind/contract';
import {
  buttonTable,
  cableTable,
  cutTable,
  orderTable,
  PAPERS,
  slug,
  stepTable,
  type GearItem,
  type Paper,
  type PaperTable,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Button, Divider, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';
import { sayFailure } from '../../../app/failures';
import { readPrintFont } from '../../../app/print/faces';
import { saveBytes, saveText } from '../../files';
import { useCuts } from '../CutsView';
import type { BuildNow } from '../useBuild';

interface Props {
  readonly rigId: string;
  readonly rig: Rig;
  readonly gear: readonly GearItem[];
  readonly now: BuildNow;
  readonly units: UnitSystem;
}

const nameOf = (rig: Rig): string => slug(rig.texts.name).replaceAll('_', '-');

const LOOPBACK = /^(?:localhost|127\.|\[::1\])/u;

/** Where others reach this page; null where only this machine does. */
const publicAddress = (): string | null =>
  LOOPBACK.test(window.location.host) ? null : window.location.origin;

/** Papers for the bench, and lists for elsewhere. */
export function PapersMenu(props: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        aria-haspopup="menu"
        title="Labels, work plan and lists, on paper and as files"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Papers
      </Button>
      {anchor && <Items {...props} anchor={anchor} onClose={() => setAnchor(null)} />}
    </>
  );
}

interface ItemsProps extends Props {
  readonly anchor: HTMLElement;
  readonly onClose: () => void;
}

function Items({ rigId, rig, gear, now, units, anchor, onClose }: ItemsProps) {
  const { work } = useCuts(rig, gear, now);
  const plans = work.state.kind === 'done' ? work.state.answer : null;
  const act = (make: () => void | Promise<void>) => () => {
    onClose();
    void Promise.resolve(make()).catch((error: unknown) =>
      sayFailure(
        `The file could not be made: ${error instanceof Error ? error.message : String(error)}`,
      ),
    );
  };
  const buttons = buttonTable(rig);
  const tables: readonly (readonly [string, PaperTable])[] = [
    ['cables', cableTable(now.cables, now.states, units)],
    ['cuts', cutTable(plans ?? [], units)],
    ['order', orderTable(now.parts)],
    ['work', stepTable(now.progress.steps)],
    ...(buttons.rows.length > 0 ? [['buttons', buttons] as const] : []),
  ];
  const saveLists = async (paper: Paper) => {
    const [{ tablePdf }, face] = await Promise.all([import('./tablePdf'), readPrintFont()]);
    const bytes = await tablePdf(
      tables.map(([, table]) => table),
      rig.texts.name,
      paper,
      face,
    );
    saveBytes(`${nameOf(rig)}-build.pdf`, bytes, 'application/pdf');
  };
  const saveLabels = async (paper: Paper) => {
    const [{ labelPdf }, face] = await Promise.all([import('./labelPdf'), readPrintFont()]);
    const bytes = await labelPdf(now.cables, paper, face, { address: publicAddress(), rigId });
    saveBytes(`${nameOf(rig)}-labels.pdf`, bytes, 'application/pdf');
  };
  const saveCsv = (of: string, { columns, rows }: PaperTable) =>
    saveText(
      `${nameOf(rig)}-${of}.csv`,
      toCsv([columns, ...rows].map((row) => row.map(guardCell))),
      'text/csv',
    );
  const isWaiting = plans === null && work.state.kind === 'running';
  return (
    <Menu anchorEl={anchor} open onClose={onClose}>
      {(Object.keys(PAPERS) as Paper[]).map((paper) => (
        <MenuItem dense key={paper} disabled={isWaiting} onClick={act(() => saveLists(paper))}>
          {`Work plan, cables, cuts, order on ${PAPERS[paper].label} (PDF)`}
        </MenuItem>
      ))}
      {(Object.keys(PAPERS) as Paper[]).map((paper) => (
        <MenuItem dense key={`labels ${paper}`} onClick={act(() => saveLabels(paper))}>
          {`Labels on ${PAPERS[paper].label} (PDF)`}
        </MenuItem>
      ))}
      <Divider />
      {tables.map(([of, table]) => (
        <MenuItem
          dense
          key={of}
          disabled={of === 'cuts' && isWaiting}
          onClick={act(() => saveCsv(of, table))}
        >
          {`${table.title} (CSV)`}
        </MenuItem>
      ))}
    </Menu>
  );
}
