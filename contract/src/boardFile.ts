import { layBoard, type Layout, type Rig } from '@gullwind/core';
import Joi from 'joi';
import { closed, id, name, number, oneOf } from './shapes';
import { layoutSchema } from './rigSchema';

/// The board of a rig by itself, for whoever draws or mills it elsewhere: what is laid out, what it is called, and how
/// long the cables are made.

export const BOARD_FORMAT = 2;
const KIND = 'gullwind-board';

export interface BoardFile {
  readonly kind: typeof KIND;
  readonly format: typeof BOARD_FORMAT;
  readonly name: string;
  readonly layout: Layout;
  /** Everything that can stand on a board as a case, m; fixtures are in the layout. */
  readonly cases: readonly {
    readonly id: string;
    readonly name: string;
    readonly widthM: number;
    readonly depthM: number;
    readonly heightM: number;
  }[];
  /** Every cable whose ends both stand on boards, m. */
  readonly cables: readonly { readonly id: string; readonly lengthM: number }[];
}

export function boardFile(rig: Rig): BoardFile {
  const { things, wires } = layBoard(rig);
  return {
    kind: KIND,
    format: BOARD_FORMAT,
    name: rig.texts.name,
    layout: rig.layout,
    cases: things
      .filter(({ kind }) => kind !== 'fixture')
      .map(({ id, name: called, body: { widthM, depthM, heightM } }) => {
        const size = { widthM: widthM.value, depthM: depthM.value, heightM: heightM.value };
        return { id, name: called, ...size };
      }),
    cables: wires.flatMap(({ connection, madeM }) =>
      madeM === null ? [] : [{ id: connection.id, lengthM: madeM }],
    ),
  };
}

const list = (item: Joi.Schema) => Joi.array().items(item.optional()).max(300).required();

export const boardFileSchema: Joi.ObjectSchema<BoardFile> = closed({
  kind: oneOf([KIND]),
  format: oneOf([]).valid(BOARD_FORMAT),
  name,
  layout: layoutSchema,
  cases: list(closed({ id, name, widthM: number, depthM: number, heightM: number })),
  cables: list(closed({ id, lengthM: number })),
});
