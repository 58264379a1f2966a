import {
  DRAWING_KINDS,
  DRAWING_WORDS,
  PAPERS,
  type Paper,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Button, Divider, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';
import { sayFailure } from '../../../app/failures';
import { saveBoard, saveDxf, savePdf, saveSvg } from './boardFiles';

interface Props {
  readonly rig: Rig;
  readonly units: UnitSystem;
}

/** The board at full size on paper, and as files. */
export function BoardMenu({ rig, units }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const act = (make: () => void | Promise<void>) => () => {
    setAnchor(null);
    void Promise.resolve(make()).catch((error: unknown) =>
      sayFailure(
        `The file could not be made: ${error instanceof Error ? error.message : String(error)}`,
      ),
    );
  };
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        title="On paper at full size, and as files"
        sx={{ minWidth: 44, px: 1 }}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        1:1
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {(Object.keys(PAPERS) as Paper[]).map((paper) => (
          <MenuItem dense key={paper} onClick={act(() => savePdf(rig, paper, units))}>
            {`All drawings at full size on ${PAPERS[paper].label} (PDF)`}
          </MenuItem>
        ))}
        <Divider />
        {DRAWING_KINDS.map((kind) => (
          <MenuItem dense key={kind} onClick={act(() => saveSvg(rig, kind, units))}>
            {`${DRAWING_WORDS[kind].charAt(0).toUpperCase()}${DRAWING_WORDS[kind].slice(1)} (SVG)`}
          </MenuItem>
        ))}
        <Divider />
        <MenuItem dense onClick={act(() => saveDxf(rig, units))}>
          Outline and openings (DXF)
        </MenuItem>
        <MenuItem dense onClick={act(() => saveBoard(rig))}>
          The board (JSON)
        </MenuItem>
      </Menu>
    </>
  );
}
