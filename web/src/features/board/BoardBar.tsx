import type { Rig, UnitSystem } from '@gullwind/core';
import { Button, ToggleButton, ToggleButtonGroup } from '@mui/material';
import type { Look, Side } from './model/projection';
import { BoardMenu } from './out/BoardMenu';
import { LAYER_WORDS, type Layers } from './layers';

interface Props {
  readonly rig: Rig;
  readonly look: Look;
  readonly layers: Layers;
  readonly units: UnitSystem;
  readonly onLook: (look: Look) => void;
  readonly onLayers: (layers: Layers) => void;
  readonly onArrange: () => void;
}

const SIDES: readonly (readonly [Side, string])[] = [
  ['above', 'above'],
  ['below', 'below'],
];

const WORD = { border: 0, px: 0.6, py: 0.25, fontSize: 14, textTransform: 'none' } as const;

/** From which side the board is looked at, and what of it. */
export function BoardBar({ rig, units, look, layers, onLook, onLayers, onArrange }: Props) {
  const shown = LAYER_WORDS.flatMap(([layer]) => (layers[layer] ? [layer] : []));
  return (
    <>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={look.side}
        aria-label="From which side"
        onChange={(_event, side: Side | null) => side && onLook({ ...look, side })}
      >
        {SIDES.map(([side, word]) => (
          <ToggleButton key={side} value={side} sx={WORD}>
            {word}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <ToggleButtonGroup
        size="small"
        value={shown}
        aria-label="What is shown"
        onChange={(_event, now: readonly string[]) =>
          onLayers(
            Object.fromEntries(
              LAYER_WORDS.map(([layer]) => [layer, now.includes(layer)]),
            ) as unknown as Layers,
          )
        }
      >
        {LAYER_WORDS.map(([layer, word]) => (
          <ToggleButton key={layer} value={layer} sx={WORD}>
            {word}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Button size="small" variant="outlined" onClick={onArrange}>
        Arrange
      </Button>
      <BoardMenu rig={rig} units={units} />
    </>
  );
}
