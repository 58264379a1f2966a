import {
  drawnBeside,
  laneUses,
  loomsAt,
  sayLoom,
  sayWire,
  type BoardPlan,
  type Rig,
  type Standing,
  type UnitSystem,
  type Wire,
} from '@gullwind/core';
import { Box } from '@mui/material';
import { useMemo, type RefObject } from 'react';
import { HatchPattern } from '../../ui/HatchPattern';
import type { Size } from '../../ui/useElementSize';
import { CaseShape } from './chart/CaseShape';
import { DeckShape } from './chart/DeckShape';
import {
  CoilMark,
  ConflictMark,
  FootMark,
  LaneShape,
  Leaving,
  OutletNumbers,
  PlugShape,
  ScaleBar,
} from './chart/marks';
import { Beside } from './chart/Beside';
import { LoomShape } from './chart/LoomShape';
import { boundsOfDecks, type Look, type Projection } from './model/projection';
import { Soundings, WireShape } from './chart/WireShape';
import type { Water } from './model/waters';
import type { Layers } from './layers';
import { AnswerShapes } from './asking/AnswerShapes';
import type { Asking } from './asking/asking';
import { marksFor } from './model/asked';
import { MarkingGround } from './photo/MarkingGround';
import { PhotoLayer } from './photo/PhotoLayer';
import type { PhotoNow } from './photo/usePhoto';
import { onlyCable, type BoardSelection } from './model/selection';
import { namesOfLeaving } from './model/leaving';
import type { useBoardHands } from './useBoardHands';

interface Props {
  readonly rig: Rig;
  readonly plan: BoardPlan;
  readonly look: Look;
  readonly on: Projection;
  readonly size: Size;
  readonly layers: Layers;
  readonly units: UnitSystem;
  readonly waters: ReadonlyMap<string, Water>;
  readonly numbers: ReadonlyMap<string, number>;
  readonly lit: string | null;
  readonly selection: BoardSelection;
  readonly onSelect: (selection: BoardSelection) => void;
  readonly hands: ReturnType<typeof useBoardHands>;
  readonly chart: RefObject<HTMLDivElement | null>;
  readonly asking: Asking;
  readonly photo: PhotoNow;
}

export const optionOf = (thing: string): string => `case-${thing}`;

/** Boards to scale, and all that stands and lies on them. A list to a screen reader, with one option for each case. */
export function BoardChart(props: Props) {
  const { plan, look, on, size, selection, hands, chart, units, asking, photo } = props;
  const isSeen = photo.photo !== null && look.side === 'above' && asking.isPhotoShown;
  const marks = marksFor(asking.asked);
  const last = selection.things.at(-1);
  const bounds = boundsOfDecks(plan.decks);
  return (
    <Box
      ref={chart}
      role="listbox"
      aria-label={`The board from ${look.side}`}
      aria-multiselectable
      tabIndex={0}
      {...(last !== undefined && { 'aria-activedescendant': optionOf(last) })}
      {...hands.bindGround()}
      sx={CHART}
    >
      <HatchPattern />
      {isSeen && <PhotoLayer photo={photo.photo!} url={photo.url!} on={on} />}
      <svg
        width={size.width}
        height={size.height}
        role="presentation"
        style={{ display: 'block', position: 'absolute', inset: 0 }}
      >
        {plan.decks.map((deck) => (
          <DeckShape
            key={deck.board.id}
            deck={deck}
            on={on}
            isNamed={plan.decks.length > 1}
            isOverPhoto={isSeen}
          />
        ))}
        <g opacity={strengthOf(asking, marks, isSeen)}>
          <Lying {...props} />
          <Cases {...props} />
          <Above {...props} />
        </g>
        <OverAll {...props} marks={marks} />
        <ScaleBar bounds={bounds} on={on} units={units} side={look.side} />
      </svg>
    </Box>
  );
}

function Cases({ plan, look, on, units, numbers, selection, hands }: Props) {
  return inDrawingOrder(plan.standings, look).map((standing) => (
    <CaseShape
      key={standing.thing.id}
      id={optionOf(standing.thing.id)}
      standing={standing}
      on={on}
      side={look.side}
      units={units}
      numbers={numbersOf(standing.thing.id, standing.switches.length, numbers)}
      isSelected={selection.things.includes(standing.thing.id)}
      grip={hands.bindThing(standing.thing.id)}
    />
  ));
}

/** What is answered, and what is marked, above everything. */
function OverAll({ on, size, asking, marks }: Props & { readonly marks: number }) {
  const { asked, drawn, marked, onMarked } = asking;
  return (
    <>
      <AnswerShapes drawn={drawn} at={asked?.kind === 'here' ? asked.at : null} on={on} />
      {marks > 0 && (
        <MarkingGround
          on={on}
          size={size}
          marked={marked}
          onMark={(at) => onMarked(marked.length < marks ? [...marked, at] : [at])}
        />
      )}
    </>
  );
}

/** How strongly the board is drawn: behind an answer or marks it steps back. */
function strengthOf({ drawn }: Asking, marks: number, isSeen: boolean): number {
  if (marks > 0) return 0.3;
  if (drawn.ghosts.length > 0) return 0.4;
  return isSeen ? 0.8 : 1;
}

const CHART = {
  position: 'relative',
  flex: 1,
  minHeight: 260,
  overflow: 'hidden',
  touchAction: 'none',
  userSelect: 'none',
  '&:focus-visible': { outline: 2, outlineColor: 'primary.main', outlineOffset: -2 },
  contain: 'layout paint style',
} as const;

/** What is on the other side first: a hand takes what lies before it. */
const inDrawingOrder = (standings: readonly Standing[], { side }: Look): readonly Standing[] => {
  const near = side === 'above' ? 'top' : 'under';
  return standings.toSorted((a, b) => Number(a.layer === near) - Number(b.layer === near));
};

/** Of a switcher its loops, of anything else its one switch. */
function numbersOf(thing: string, count: number, numbers: ReadonlyMap<string, number>) {
  const own = numbers.get(thing);
  if (own !== undefined) return [own];
  return Array.from({ length: count }, (_, i) => numbers.get(`${thing}.${i + 1}`));
}

const isFed = (carries: string): boolean => carries === 'dc' || carries === 'mains';

const shownWires = ({ wires }: BoardPlan, layers: Layers) =>
  wires.filter(({ connection }) => (isFed(connection.carries) ? layers.dc : layers.cables));

/** Lanes, cables and plugs, below the cases. */
function Lying({ rig, plan, on, look, layers, waters, selection, onSelect }: Props) {
  const drawn = useMemo(() => drawnBeside(plan.wires), [plan.wires]);
  const lanes = useMemo(
    () => laneUses(rig, plan.decks, plan.standings, plan.plugs, plan.wires),
    [rig, plan],
  );
  const shown = shownWires(plan, layers);
  return (
    <>
      {layers.lanes && lanes.map((lane) => <LaneShape key={lane.lane.id} lane={lane} on={on} />)}
      {shown.map((wire) => (
        <WireShape
          key={wire.connection.id}
          wire={wire}
          points={drawn.get(wire.connection.id) ?? []}
          water={waters.get(wire.connection.id) ?? null}
          on={on}
          side={look.side}
          isSelected={selection.cable === wire.connection.id}
          onSelect={(cable) => onSelect(onlyCable(cable))}
        />
      ))}
      {shown.flatMap(({ from, to }) =>
        [from, to].map(
          (plug) =>
            plug && <PlugShape key={plug.cable + plug.end} plug={plug} on={on} side={look.side} />,
        ),
      )}
    </>
  );
}

/** Feet, tight spots and what leaves, above the cases. */
function Above({ rig, plan, on, look, layers, units, lit, selection }: Props) {
  /** What feeds says its length when it is asked. */
  const isTold = ({ connection: { id, carries } }: Wire) =>
    !isFed(carries) || selection.cable === id;
  const names = useMemo(() => namesOfLeaving(rig, plan, units), [rig, plan, units]);
  const looms = useMemo(() => loomsAt(rig, plan), [rig, plan]);
  const drawn = useMemo(() => drawnBeside(plan.wires), [plan.wires]);
  return (
    <>
      <Soundings wires={shownWires(plan, layers).filter(isTold)} {...{ drawn, on, units }} />
      {layers.cables &&
        plan.conflicts
          .filter(({ kind }) => kind === 'tooLong')
          .map((conflict) => <CoilMark key={conflict.key} conflict={conflict} on={on} />)}
      {layers.dc && <OutletNumbers {...{ rig, plan, on }} side={look.side} />}
      {layers.feet &&
        plan.feet.map((foot) => (
          <FootMark
            key={`${foot.thing} ${foot.nth}`}
            foot={foot}
            shoeM={rig.layout.laying.shoeM.value}
            on={on}
          />
        ))}
      {layers.cables && (
        <Leaving
          plan={plan}
          looms={looms}
          bounds={boundsOfDecks(plan.decks)}
          on={on}
          name={(id) => names.get(id) ?? sayWire(plan, id)}
        />
      )}
      {layers.cables &&
        looms.map((loom) => (
          <LoomShape key={loom.loom.id} loom={loom} on={on} words={sayLoom(loom, units)} />
        ))}
      <Beside rig={rig} plan={plan} on={on} units={units} />
      {plan.conflicts
        .filter(({ weight }) => weight === 'hard' || (weight === 'foot' && layers.feet))
        .map((conflict) => (
          <ConflictMark
            key={conflict.key}
            conflict={conflict}
            on={on}
            units={units}
            isLit={lit === conflict.key}
          />
        ))}
    </>
  );
}
