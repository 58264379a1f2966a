import {
  CONTROL_KINDS,
  freshId,
  type BoardThing,
  type ControlKind,
  type JackKind,
  type Rig,
} from '@gullwind/core';
import { Box, Button, NativeSelect } from '@mui/material';
import { useState } from 'react';
import type { PanelProps } from '../panelProps';

const WORDS: Readonly<Record<ControlKind, string>> = {
  mains: 'mains',
  midi: 'MIDI',
  control: 'control',
  expression: 'expression',
  usb: 'USB',
};

const JACKS: Readonly<Record<ControlKind, JackKind>> = {
  mains: 'power',
  midi: 'midi',
  control: 'control',
  expression: 'expression',
  usb: 'usb',
};

const countOf = ({ body }: BoardThing, kind: JackKind): number =>
  body.jacks.filter((jack) => jack.kind === kind).length;

/** The first of its jacks that no such cable is in. */
function freeJack({ layout }: Rig, thing: BoardThing, carries: ControlKind): number | null {
  const taken = layout.controls
    .filter((one) => JACKS[one.carries] === JACKS[carries])
    .flatMap(({ from, to }) => [from, to])
    .filter((end) => end.thing === thing.id)
    .map(({ nth }) => nth);
  const all = Array.from({ length: countOf(thing, JACKS[carries]) }, (_, i) => i);
  return all.find((nth) => !taken.includes(nth)) ?? null;
}

/** A cable that carries no audio, from one thing to another: as long as its way. */
export function ControlLines({ rig, plan, actions, id }: PanelProps & { readonly id: string }) {
  const own = plan.things.find((one) => one.id === id)!;
  const kinds = CONTROL_KINDS.filter((kind) => freeJack(rig, own, kind) !== null);
  const [chosen, choose] = useState<ControlKind | null>(null);
  const [other, setOther] = useState('');
  const carries = chosen && kinds.includes(chosen) ? chosen : kinds[0];
  if (carries === undefined) return null;
  const others = plan.things.filter(
    (thing) => thing.id !== id && freeJack(rig, thing, carries) !== null,
  );
  const to = others.find((thing) => thing.id === other) ?? others[0];
  const add = () => {
    if (!to) return;
    const count = rig.layout.controls.filter((one) => one.carries === carries).length;
    actions.edit({
      kind: 'list',
      of: 'controls',
      at: rig.layout.controls.length,
      remove: 0,
      insert: [
        {
          id: freshId(rig, 'k'),
          name: `${WORDS[carries]} ${count + 1}`,
          carries,
          from: { thing: id, nth: freeJack(rig, own, carries)! },
          to: { thing: to.id, nth: freeJack(rig, to, carries)! },
          lengthM: { value: 0.5, from: 'assumed' },
        },
      ],
    });
  };
  if (!to) return null;
  return (
    <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'center', mt: 0.5, minWidth: 0 }}>
      <NativeSelect
        value={carries}
        inputProps={{ 'aria-label': 'What another cable carries' }}
        onChange={(event) => choose(event.target.value as ControlKind)}
        sx={{ fontSize: 14 }}
      >
        {kinds.map((kind) => (
          <option key={kind} value={kind}>
            {WORDS[kind]}
          </option>
        ))}
      </NativeSelect>
      <NativeSelect
        value={to.id}
        inputProps={{ 'aria-label': 'Where it goes' }}
        onChange={(event) => setOther(event.target.value)}
        sx={{ fontSize: 14, flex: 1, minWidth: 0 }}
      >
        {others.map(({ id: one, name }) => (
          <option key={one} value={one}>{`to ${name}`}</option>
        ))}
      </NativeSelect>
      <Button size="small" onClick={add}>
        Add
      </Button>
    </Box>
  );
}
