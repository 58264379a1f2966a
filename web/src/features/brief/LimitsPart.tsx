import {
  allCables,
  editBrief,
  isPatch,
  MOST_ADDED_BOXES,
  MOST_MONEY,
  nameCable,
  type Brief,
} from '@gullwind/core';
import { Checkbox, FormControlLabel, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { PlainNumberField } from '../../ui/PlainNumberField';
import type { BriefPartProps } from './briefPart';
import { Part } from './Part';

/** What must not change, and how much there may be of what is added. */
export function LimitsPart({ rig, edit }: BriefPartProps) {
  const { brief } = rig.texts;
  const change = (to: Partial<Brief>) => edit(editBrief(rig, to));
  const cables = allCables(rig).filter((cable) => !isPatch(cable));
  return (
    <Part title="What must not change">
      <Tick checked={brief.keepsOrder} onChange={(keepsOrder) => change({ keepsOrder })}>
        the order of the pedals
      </Tick>
      {cables.map(({ id, name }) => (
        <Tick
          key={id}
          checked={brief.keptCables.includes(id)}
          onChange={(isKept) => change({ keptCables: toggled(brief.keptCables, id, isKept) })}
        >
          {nameCable(rig, id)}, {name}
        </Tick>
      ))}
      <Tick checked={brief.noSoldering} onChange={(noSoldering) => change({ noSoldering })}>
        no soldering
      </Tick>
      <Tick checked={brief.nothingBought} onChange={(nothingBought) => change({ nothingBought })}>
        nothing is bought
      </Tick>
      <PlainNumberField
        label="Money at most"
        title="In the money of the gear list"
        value={brief.mostMoney}
        max={MOST_MONEY}
        none="no limit"
        onChange={(mostMoney) => change({ mostMoney })}
        onNone={() => change({ mostMoney: null })}
      />
      <PlainNumberField
        label="Boxes added at most"
        value={brief.mostBoxes}
        max={MOST_ADDED_BOXES}
        isWhole
        none="no limit"
        onChange={(mostBoxes) => change({ mostBoxes })}
        onNone={() => change({ mostBoxes: null })}
      />
      <Hint />
    </Part>
  );
}

const Hint = () => (
  <Typography variant="caption" sx={{ color: 'text.secondary', display: 'block', mt: 0.5 }}>
    A pedal keeps its place where its lock is closed. An entry of the gear list with a price is
    bought; one without is at hand.
  </Typography>
);

const toggled = (ids: readonly string[], id: string, isIn: boolean): readonly string[] =>
  isIn ? [...ids, id] : ids.filter((other) => other !== id);

interface TickProps {
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  readonly children: ReactNode;
}

function Tick({ checked, onChange, children }: TickProps) {
  return (
    <FormControlLabel
      sx={{ display: 'flex', ml: -1, mr: 0 }}
      control={
        <Checkbox
          size="small"
          sx={{ p: 0.5 }}
          checked={checked}
          onChange={(_event, to) => onChange(to)}
        />
      }
      label={<Typography variant="body2">{children}</Typography>}
    />
  );
}
