import type { Guitar } from '@gullwind/core';
import { Box, Button } from '@mui/material';
import { Disclosure } from '../../../ui/Disclosure';
import { GuitarArrival } from '../../../ui/parts/GuitarArrival';
import { GuitarFields, sayGuitar } from '../../../ui/parts/GuitarFields';
import type { PanelProps } from './panelProps';
import { PanelHead } from './PanelHead';
import { SourceSweep } from './SourceSweep';

export function GuitarPanel(props: PanelProps & { readonly id: string }) {
  const { rig, units, actions, onSwap, id } = props;
  const guitar = rig.electrical.guitars.find((other) => other.id === id)!;
  const target = { of: 'guitar', id } as const;
  return (
    <>
      <PanelHead
        name={guitar.name}
        label="Name of the guitar"
        kind={sayGuitar(guitar)}
        gear={guitar.gear}
        onRename={(to) => actions.edit({ kind: 'rename', target, to })}
      >
        <Button size="small" onClick={() => onSwap('guitar')}>
          Swap
        </Button>
      </PanelHead>
      <GuitarSwitches {...props} guitar={guitar} />
      <GuitarArrival rig={rig} guitarId={id} edit={actions.edit} />
      <GuitarFields guitar={guitar} units={units} actions={actions} />
      <Disclosure title="The same chain from other sources">
        <SourceSweep rig={rig} units={units} />
      </Disclosure>
    </>
  );
}

/** Which guitar plays, and room for another. */
function GuitarSwitches({ rig, actions, guitar }: PanelProps & { readonly guitar: Guitar }) {
  const plays = rig.state.playing === guitar.id;
  const isFirst = guitar === rig.electrical.guitars[0];
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, my: 0.5 }}>
      {rig.electrical.guitars.length > 1 && (
        <Button
          size="small"
          variant={plays ? 'contained' : 'outlined'}
          aria-pressed={plays}
          onClick={() => actions.play(guitar.id)}
        >
          {plays ? 'plays' : 'play it'}
        </Button>
      )}
      <Button
        size="small"
        title="Which one is asked first; it has a cable of its own into a selector"
        onClick={actions.askGuitar}
      >
        Another guitar
      </Button>
      {!isFirst && (
        <Button size="small" onClick={actions.remove}>
          Delete it
        </Button>
      )}
    </Box>
  );
}
