import {
  BESIDE_PLACES,
  bodyOf,
  findDevice,
  formatQuantity,
  PLACEMENT_RULES,
  removeFixture,
  resized,
  sayThing,
  type BesidePlace,
  type BoardPlan,
  type Case,
  type Edit,
  type Rig,
  type Standing,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Button, Checkbox, FormControlLabel, Typography } from '@mui/material';
import { useMemo } from 'react';
import { CaseLines } from '../../../ui/parts/PlaceLines';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import { PartFields, type FieldsOf } from '../../../ui/parts/PartFields';
import type { PartActions } from '../../../ui/parts/partActions';
import { standingOf, type BoardActions } from '../useBoardActions';
import { PlugLines } from './PlugLines';
import { SizeField } from './SizeField';

export interface PanelProps {
  readonly rig: Rig;
  readonly plan: BoardPlan;
  readonly units: UnitSystem;
  readonly actions: BoardActions;
}

interface Props extends PanelProps {
  readonly id: string;
  readonly onCable: (cable: string) => void;
}

/** One thing: where it stands, its plugs, how a foot gets to it, its case. */
export function ThingPanel({ id, onCable, ...panel }: Props) {
  const { plan, rig, units } = panel;
  const thing = plan.things.find((one) => one.id === id);
  if (!thing) return null;
  const [standing] = standingOf(plan, [id]);
  const beside = rig.layout.placements[id];
  return (
    <>
      <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600, lineHeight: 1.2 }}>
        {thing.name}
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {sayKind(rig, id, thing.isAssumed)}
      </Typography>
      {standing && <Standings {...panel} standing={standing} />}
      {beside?.at === 'beside' && (
        <SizeField
          label="Cable to it, each way"
          rule={PLACEMENT_RULES.lengthM}
          value={beside.lengthM}
          units={units}
          onChange={(lengthM) => panel.actions.edit(standBeside(rig, id, beside.where, lengthM))}
        />
      )}
      {standing && (
        <>
          <PlugLines {...panel} thing={id} onCable={onCable} />
          <FootLines {...panel} thing={id} />
        </>
      )}
      <CaseGroup {...panel} id={id} />
      <Leave {...panel} id={id} isStanding={standing !== undefined} />
    </>
  );
}

function sayKind(rig: Rig, id: string, isAssumed: boolean): string {
  const device = findDevice(rig, id);
  const use = rig.texts.brief.uses[id];
  const words = [
    use === 'leftOn' ? 'left on' : use === 'switched' ? 'switched mid-song' : '',
    isAssumed ? 'size assumed from its class' : '',
  ].filter(Boolean);
  return [device ? 'in the chain' : 'no signal runs through it', ...words].join(' · ');
}

const TURN_WORDS = [
  ['0', 'as it is'],
  ['90', 'a quarter left'],
  ['180', 'about'],
  ['270', 'a quarter right'],
] as const;

/** Where it stands, in numbers. */
function Standings({ rig, plan, units, actions, standing }: PanelProps & { standing: Standing }) {
  const { placement } = standing;
  const { boards } = rig.layout;
  const shared = { units } as const;
  const sides = [
    ['top', 'on top'],
    ['under', 'below'],
  ] as const;
  return (
    <PanelGroup title="Stands">
      {plan.decks.length > 1 && (
        <ChoiceField
          label="On"
          value={placement.board}
          options={boards.map(({ id, name }) => [id, name] as const)}
          onChange={(board) => actions.place(standing, { board })}
        />
      )}
      <SizeField
        {...shared}
        label="From the left"
        rule={PLACEMENT_RULES.xM}
        value={placement.xM}
        onChange={(xM) => actions.place(standing, { xM })}
      />
      <SizeField
        {...shared}
        label="From the front"
        rule={PLACEMENT_RULES.yM}
        value={placement.yM}
        onChange={(yM) => actions.place(standing, { yM })}
      />
      <SizeField
        {...shared}
        label="Riser"
        rule={PLACEMENT_RULES.riserM}
        value={placement.riserM}
        onChange={(riserM) => actions.place(standing, { riserM })}
      />
      <ChoiceField
        label="Turned"
        value={String(placement.turn) as '0'}
        options={TURN_WORDS}
        onChange={(to) => actions.place(standing, { turn: Number(to) as 0 })}
      />
      <ChoiceField
        label="Side of the board"
        value={placement.isUnder ? 'under' : 'top'}
        options={sides}
        onChange={(to) => actions.place(standing, { isUnder: to === 'under' })}
      />
    </PanelGroup>
  );
}

const FREEDOM = { free: 'free', careful: 'wants care', hit: 'meets another' } as const;

/** How a foot gets to its switches. */
function FootLines({ plan, rig, units, actions, thing }: PanelProps & { thing: string }) {
  const feet = plan.feet.filter((foot) => foot.thing === thing);
  if (feet.length === 0) return null;
  const { neverMissed } = rig.layout;
  const isSure = neverMissed.includes(thing);
  const size = (m: number) => formatQuantity(Math.floor(m * 1000 + 1e-6) / 1000, 'size', units);
  const others = neverMissed.filter((one) => one !== thing);
  return (
    <PanelGroup title="Foot">
      {feet.map((foot) => (
        <Box key={foot.nth} sx={{ display: 'flex', gap: 1, fontSize: 14 }}>
          <b>{FREEDOM[foot.freedom]}</b>
          <Typography variant="body2" sx={{ color: 'text.secondary', ml: 'auto' }}>
            {foot.nearest
              ? `${size(foot.nearest.distanceM)} to ${sayThing(plan, foot.nearest.thing)}`
              : 'nothing beside it'}
          </Typography>
        </Box>
      ))}
      {feet.map(
        ({ nth, passesM }) =>
          passesM !== null && (
            <Typography key={nth} variant="body2">
              {passesM >= 0
                ? `The sole passes ${size(passesM)} above what stands before it.`
                : `The sole is ${size(-passesM)} too low over what stands before it.`}
            </Typography>
          ),
      )}
      <FormControlLabel
        control={
          <Checkbox
            size="small"
            checked={isSure}
            onChange={() =>
              actions.edit({
                kind: 'assign',
                field: 'neverMissed',
                to: isSure ? others : [...others, thing],
              })
            }
          />
        }
        label="must never be missed"
        slotProps={{ typography: { variant: 'body2' } }}
      />
    </PanelGroup>
  );
}

const CASE_FIELDS: FieldsOf<'device'> = [
  ['body.widthM', 'Width'],
  ['body.depthM', 'Depth'],
  ['body.heightM', 'Height'],
  ['body.massKg', 'Mass'],
];

/** The case, as it is in this rig. */
function CaseGroup({ rig, units, actions, id }: PanelProps & { id: string }) {
  const device = findDevice(rig, id);
  const fixture = rig.layout.fixtures.find((one) => one.id === id);
  const owner = device ?? fixture;
  const part = useMemo(
    (): PartActions => ({
      edit: (edit) => actions.edit(owner ? withResized(rig, owner.id, edit) : edit),
    }),
    [actions, rig, owner],
  );
  if (!owner) return null;
  const { body } = owner;
  if (!body)
    return (
      <Button
        size="small"
        sx={{ mt: 1 }}
        onClick={() =>
          actions.edit({
            kind: 'replace',
            part: { of: 'device', to: { ...device!, body: bodyOf(device!) } },
          })
        }
      >
        Say its size and jacks
      </Button>
    );
  const of = device ? 'device' : 'fixture';
  return (
    <PanelGroup title="Case">
      <PartFields
        part={owner}
        of={of}
        id={id}
        fields={CASE_FIELDS as never}
        units={units}
        assumedFrom="a case of the usual size"
        actions={part}
      />
      <CaseLines
        kind={of}
        body={body}
        units={units}
        onChange={(to) => actions.edit(withCase(rig, id, to))}
      />
    </PanelGroup>
  );
}

/** Some of the case of a device or a fixture. */
function withCase(rig: Rig, id: string, to: Partial<Case>): Edit {
  const device = findDevice(rig, id);
  if (device?.body)
    return {
      kind: 'replace',
      part: { of: 'device', to: { ...device, body: { ...device.body, ...to } } },
    };
  const at = rig.layout.fixtures.findIndex((one) => one.id === id);
  const fixture = rig.layout.fixtures[at]!;
  const insert = [{ ...fixture, body: { ...fixture.body, ...to } }];
  return { kind: 'list', of: 'fixtures', at, remove: 1, insert };
}

/** Of a case that nobody has measured, jacks and switches move with its size. */
function withResized(rig: Rig, id: string, edit: Edit): Edit {
  if (edit.kind !== 'set') return edit;
  const size = edit.field.replace('body.', '');
  if (size !== 'widthM' && size !== 'depthM') return edit;
  const body = findDevice(rig, id)?.body ?? rig.layout.fixtures.find((one) => one.id === id)?.body;
  return body?.placesFrom === 'assumed'
    ? withCase(rig, id, resized<Case>(body, { [size]: edit.to }))
    : edit;
}

const BESIDE_WORDS: Readonly<Record<BesidePlace, string>> = {
  floor: 'on the floor',
  rack: 'in a rack',
  amp: 'on the amp',
};

/** Beside the boards: the cables to it and back are as long as said, from now on. */
function standBeside(rig: Rig, id: string, where: BesidePlace, lengthM: number): Edit {
  const off: Edit = { kind: 'place', id, to: { at: 'beside', where, lengthM } };
  const cables = rig.electrical.rows.flatMap(({ devices, cables: all }) =>
    devices.flatMap((device, i) => (device.id === id ? [all[i], all[i + 1]] : [])),
  );
  const main = rig.electrical.rows[0]!.cables;
  const lengths = cables.flatMap((cable): Edit[] =>
    cable && cable !== main[0] && cable !== main.at(-1)
      ? [
          {
            kind: 'set',
            target: { of: 'cable', id: cable.id },
            field: 'lengthM',
            to: { value: lengthM, from: 'entered' },
          },
        ]
      : [],
  );
  return { kind: 'group', edits: [off, ...lengths] };
}

/** Off the board: back into the cargo, beside the boards, or out of the rig. */
function Leave({ rig, actions, id, isStanding }: PanelProps & { id: string; isStanding: boolean }) {
  const isFixture = rig.layout.fixtures.some((one) => one.id === id);
  const placement = rig.layout.placements[id];
  const lengthM = placement?.at === 'beside' ? placement.lengthM : 4;
  const options = [
    ['deck', 'on a board'] as const,
    ...BESIDE_PLACES.map((where) => [where, BESIDE_WORDS[where]] as const),
  ];
  return (
    <Box sx={{ mt: 1 }}>
      {!isFixture && placement && placement.at !== 'stage' && (
        <ChoiceField
          label="Where"
          value={placement.at === 'beside' ? placement.where : 'deck'}
          options={isStanding ? options : options.slice(1)}
          onChange={(where) =>
            where !== 'deck' && actions.edit(standBeside(rig, id, where, lengthM))
          }
        />
      )}
      {placement && (
        <Button size="small" onClick={() => actions.takeOff([id])}>
          Back into the cargo
        </Button>
      )}
      {isFixture && (
        <Button size="small" onClick={() => actions.edit(removeFixture(rig, id))}>
          Out of the rig
        </Button>
      )}
    </Box>
  );
}
