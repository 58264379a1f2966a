import {
  formatNumber,
  PROVENANCES,
  type FieldRule,
  type Provenance,
  type Sourced,
} from '@gullwind/core';
import DescriptionOutlined from '@mui/icons-material/DescriptionOutlined';
import EditOutlined from '@mui/icons-material/EditOutlined';
import RouteOutlined from '@mui/icons-material/RouteOutlined';
import StraightenOutlined from '@mui/icons-material/StraightenOutlined';
import { createSvgIcon, Divider, IconButton, ListItemIcon, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';
import { OriginDialog } from './OriginDialog';

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
  laid: { word: 'as laid on the board', Icon: RouteOutlined },
};

interface Props {
  readonly label: string;
  readonly rule: FieldRule;
  readonly value: Sourced;
  readonly assumedFrom: string;
  readonly onChange: (value: Sourced) => void;
}

/** Says where a value comes from, and lets it be said. */
export function ProvenanceMenu({ label, rule, value, assumedFrom, onChange }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [isAsking, setAsking] = useState(false);
  const { Icon } = LOOKS[value.from];
  const says = sayOrigin(value, assumedFrom);
  const close = () => setAnchor(null);
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
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        {PROVENANCES.filter((from) => from !== 'laid' || value.from === 'laid').map((from) => {
          const { word: name, Icon: Mark } = LOOKS[from];
          return (
            <MenuItem
              key={from}
              dense
              selected={from === value.from}
              onClick={() => {
                close();
                if (from !== value.from) onChange({ value: value.value, from });
              }}
            >
              <ListItemIcon>
                <Mark fontSize="small" />
              </ListItemIcon>
              {name}
            </MenuItem>
          );
        })}
        <Divider />
        <MenuItem
          dense
          onClick={() => {
            close();
            setAsking(true);
          }}
        >
          When, by what, how sure …
        </MenuItem>
      </Menu>
      {isAsking && (
        <OriginDialog
          label={label}
          rule={rule}
          value={value}
          onClose={() => setAsking(false)}
          onChange={onChange}
        />
      )}
    </>
  );
}

function sayOrigin({ from, on, by, tolerance }: Sourced, assumedFrom: string): string {
  const said = [
    from === 'assumed' ? `assumed, typical of: ${assumedFrom}` : LOOKS[from].word,
    on && `on ${on}`,
    by && (/^by /i.test(by) ? by : `by ${by}`),
    tolerance !== undefined && `± ${formatNumber(tolerance * 100, 3)} %`,
  ];
  return said.filter(Boolean).join(', ');
}
