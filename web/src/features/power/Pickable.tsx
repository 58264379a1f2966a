import { Box, useTheme } from '@mui/material';
import type { ReactNode } from 'react';

export const CUT = {
  overflow: 'hidden',
  textOverflow: 'ellipsis',
  whiteSpace: 'nowrap',
  minWidth: 0,
} as const;

interface Props {
  readonly label: string;
  readonly isPicked: boolean;
  readonly isWrong: boolean;
  /** A hand holds something over it. */
  readonly isTarget?: boolean;
  readonly isDark?: boolean;
  /** A case with an edge, not a place in the water. */
  readonly isSolid?: boolean;
  readonly onPick: () => void;
  readonly place: {
    readonly left: number;
    readonly top: number;
    readonly width: number;
    readonly height: number;
  };
  readonly data: Readonly<Record<string, string>>;
  readonly grip?: object;
  readonly children: ReactNode;
}

/** A place on the delta that can be picked, and that a hand may hang something on. */
export function Pickable(props: Props) {
  const { label, isPicked, isWrong, onPick, data, grip, children } = props;
  const { chart } = useTheme();
  return (
    <Box
      component="button"
      type="button"
      aria-label={isWrong ? `${label}: something is wrong` : label}
      aria-pressed={isPicked}
      onClick={onPick}
      {...data}
      {...grip}
      sx={{ ...BUTTON, ...useEdge(props) }}
    >
      {isWrong && (
        <Box component="span" aria-hidden sx={{ ...MARK, color: chart.buoy }}>
          !
        </Box>
      )}
      {children}
    </Box>
  );
}

/** Where it is, and its edge by what it is at the moment. */
function useEdge({ isPicked, isWrong, isTarget = false, isDark, isSolid, place, grip }: Props) {
  const { chart } = useTheme();
  const isMeant = isPicked || isTarget;
  const width = isMeant ? 2 : isWrong ? 1.5 : isSolid ? 1 : 0;
  return {
    ...place,
    cursor: grip ? 'grab' : 'pointer',
    touchAction: grip ? 'none' : 'auto',
    background: isSolid ? chart.paper : 'transparent',
    border: `${width}px ${isDark ? 'dashed' : 'solid'} ${isMeant ? chart.sea : isWrong ? chart.buoy : chart.faint}`,
  };
}

const BUTTON = {
  position: 'absolute',
  font: 'inherit',
  color: 'inherit',
  textAlign: 'left',
  px: 0.75,
  py: 0,
  display: 'flex',
  flexDirection: 'column',
  justifyContent: 'center',
  '&:focus-visible': { outline: 2, outlineColor: 'primary.main', outlineOffset: 1 },
} as const;

const MARK = { position: 'absolute', left: -15, fontWeight: 700, fontSize: 15 } as const;
