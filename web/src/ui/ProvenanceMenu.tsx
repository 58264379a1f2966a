import { PROVENANCES, type Provenance } from '@gullwind/core';
import DescriptionOutlined from '@mui/icons-material/DescriptionOutlined';
import EditOutlined from '@mui/icons-material/EditOutlined';
import StraightenOutlined from '@mui/icons-material/StraightenOutlined';
import { createSvgIcon, IconButton, ListItemIcon, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';

/** ≈: somewhere about this. */
const About = createSvgIcon(
  <path d="M4 10c3-3 5-3 8-1s5 2 8-1v2.4c-3 3-5 3-8 1s-5-2-8 1zm0 6c3-3 5-3 8-1s5 2 8-1v2.4c-3 3-5 3-8 1s-5-2-8 1z" />,
  'About',
);

const LOOKS: Readonly<Record<Provenance, { word: string; Icon: typeof EditOutlined }>> = {
  assumed: { word: 'assumed', Icon: About },
  entered: { word: 'entered by hand', Icon: EditOutlined },
  sheet: { word: 'read off a data sheet', Icon: DescriptionOutlined },
  measured: { word: 'measured', Icon: StraightenOutlined },
};

interface Props {
  readonly label: string;
  readonly value: Provenance;
  readonly assumedFrom: string;
  readonly onChange: (from: Provenance) => void;
}

/** Says where a value comes from, and lets it be said. */
export function ProvenanceMenu({ label, value, assumedFrom, onChange }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { word, Icon } = LOOKS[value];
  const says = value === 'assumed' ? `assumed, typical of: ${assumedFrom}` : word;
  return (
    <>
      <IconButton
        size="small"
        aria-label={`${label}: ${says}`}
        title={says}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ p: '2px', color: 'text.secondary' }}
      >
        <Icon sx={{ fontSize: 15 }} />
      </IconButton>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {PROVENANCES.map((from) => {
          const { word: name, Icon: Mark } = LOOKS[from];
          return (
            <MenuItem
              key={from}
              dense
              selected={from === value}
              onClick={() => {
                setAnchor(null);
                if (from !== value) onChange(from);
              }}
            >
              <ListItemIcon>
                <Mark fontSize="small" />
              </ListItemIcon>
              {name}
            </MenuItem>
          );
        })}
      </Menu>
    </>
  );
}
