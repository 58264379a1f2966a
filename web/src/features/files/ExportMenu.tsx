import { slug, writeNetlist, writeResponseCsv, type Analysis, type Rig } from '@gullwind/core';
import FileDownloadOutlined from '@mui/icons-material/FileDownloadOutlined';
import { IconButton, Menu, MenuItem, Tooltip } from '@mui/material';
import { useSnackbar } from 'notistack';
import { memo, useState } from 'react';
import { saveText } from './saveText';

interface TakenOut {
  readonly rig: Rig;
  /** The way that is looked at, as its switches stand. */
  readonly rowId: string;
  readonly analysis: Analysis | null;
}

interface Props {
  /** What there is at the moment it is asked for; the same function each time. */
  readonly read: () => TakenOut;
}

/** The rig as files for elsewhere: the whole of it, its circuit, its curve. */
export const ExportMenu = memo(function ExportMenu({ read }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { enqueueSnackbar } = useSnackbar();
  const nameOf = (rig: Rig) => slug(rig.texts.name).replaceAll('_', '-');
  const close = () => setAnchor(null);
  const netlist = () => {
    close();
    const { rig, rowId } = read();
    const written = writeNetlist(rig, rowId);
    if (written.kind === 'ok') saveText(`${nameOf(rig)}.cir`, written.text, 'text/plain');
    else enqueueSnackbar(written.message, { variant: 'warning' });
  };
  const curve = () => {
    close();
    const { rig, analysis } = read();
    if (analysis?.kind === 'sounding')
      saveText(`${nameOf(rig)}-curve.csv`, writeResponseCsv(analysis), 'text/csv');
    else enqueueSnackbar('Nothing comes through: there is no curve.', { variant: 'warning' });
  };
  const whole = () => {
    close();
    const { rig } = read();
    saveText(`${nameOf(rig)}.rig.json`, `${JSON.stringify(rig, null, 1)}\n`, 'application/json');
  };
  return (
    <>
      <Tooltip title="Export as a file">
        <IconButton
          size="small"
          color="inherit"
          aria-label="Export as a file"
          aria-haspopup="menu"
          onClick={(event) => setAnchor(event.currentTarget)}
        >
          <FileDownloadOutlined fontSize="small" />
        </IconButton>
      </Tooltip>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        <MenuItem dense onClick={whole}>
          The rig (JSON)
        </MenuItem>
        <MenuItem dense onClick={netlist}>
          Its circuit as it stands (netlist)
        </MenuItem>
        <MenuItem dense onClick={curve}>
          Its curve as it stands (CSV)
        </MenuItem>
      </Menu>
    </>
  );
});
