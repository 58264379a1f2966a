import { openingsOn, type Deck } from '@gullwind/core';
import { useTheme } from '@mui/material';
import { rectOn, type Projection } from '../model/projection';

interface Props {
  readonly deck: Deck;
  readonly on: Projection;
  readonly isNamed: boolean;
  /** What lies below it is to be seen. */
  readonly isOverPhoto: boolean;
}

/** A board as a quay wall: its outline twice, and where it lets cables through. */
export function DeckShape({ deck, on, isNamed, isOverPhoto }: Props) {
  const { chart } = useTheme();
  const outer = rectOn(on, deck.rect);
  const isMesh = deck.board.surface === 'mesh';
  return (
    <g aria-hidden data-deck={deck.board.id}>
      <rect
        x={outer.x - 4}
        y={outer.y - 4}
        width={outer.width + 8}
        height={outer.height + 8}
        fill="none"
        stroke={chart.faint}
        strokeWidth={1}
      />
      <rect
        {...outer}
        fill={isOverPhoto ? 'none' : chart.paper}
        stroke={chart.ink}
        strokeWidth={2}
      />
      {isMesh ? (
        <rect {...outer} fill={chart.grid} fillOpacity={0.35} />
      ) : (
        openingsOn([deck]).map((opening, i) => (
          <rect
            key={i}
            {...rectOn(on, opening)}
            fill={chart.grid}
            fillOpacity={isOverPhoto ? 0.2 : 0.75}
          />
        ))
      )}
      {isNamed && (
        <text x={outer.x + 2} y={outer.y - 9} fontSize={12.5} fill={chart.faint}>
          {deck.board.name}
        </text>
      )}
    </g>
  );
}
