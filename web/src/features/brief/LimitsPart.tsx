import {
  allCables,
  editBrief,
  isDay,
  isPatch,
  MOST_ADDED_BOXES,
  MOST_HOURS_A_DAY,
  MOST_MONEY,
  nameCable,
  type Brief,
} from '@gullwind/core';
import { Checkbox, FormControlLabel, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { PlainNumberField } from '../../ui/PlainNumberField';
import { TextLine } from '../../ui/parts/TextLine';
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
      <TimeFields brief={brief} onChange={change} />
    </Part>
  );
}

interface TimeProps {
  readonly brief: Brief;
  readonly onChange: (to: Partial<Brief>) => void;
}

const dayProblem = (text: string): string | null =>
  text === '' || isDay(text) ? null : `Ready by: “${text}” is not a day such as 2026-11-25.`;

/** When it has to be ready, and how much time there is until then. */
function TimeFields({ brief, onChange }: TimeProps) {
  return (
    <>
      <TextLine
        label="Ready by"
        value={brief.deadline ?? ''}
        check={dayProblem}
        onChange={(day) => onChange({ deadline: day === '' ? null : day })}
      />
      <PlainNumberField
        label="Hours a day for it"
        value={brief.hoursADay}
        max={MOST_HOURS_A_DAY}
        none="not given"
        onChange={(hoursADay) => onChange({ hoursADay })}
        onNone={() => onChange({ hoursADay: null })}
      />
    </>
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
