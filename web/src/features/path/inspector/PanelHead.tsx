import { Box, Link, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { Link as RouterLink } from 'react-router';
import { NameField } from '../../../ui/NameField';

interface Props {
  readonly name: string;
  readonly label: string;
  /** What it is: "bright single coil", "2, delay". */
  readonly kind: string;
  /** The entry of the gear list it was taken from. */
  readonly gear?: string | undefined;
  readonly children?: ReactNode;
  readonly onRename: (name: string) => void;
}

/** Name and kind of the selected thing, and what can be done with all of it. */
export function PanelHead({ name, label, kind, gear, children, onRename }: Props) {
  return (
    <Box sx={{ mb: 0.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <NameField
            label={label}
            value={name}
            onChange={onRename}
            sx={{
              fontSize: 17,
              fontWeight: 600,
              width: '100%',
              '& input': { py: 0, textOverflow: 'ellipsis' },
            }}
          />
        </Box>
        {children}
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {kind}
        {gear && (
          <>
            {' · '}
            <Link component={RouterLink} to={`/gear?at=${gear}`} color="inherit">
              in the gear list
            </Link>
          </>
        )}
      </Typography>
    </Box>
  );
}
