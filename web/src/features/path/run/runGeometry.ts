import type { Rig, UnitSystem } from '@gullwind/core';
import type { Selection } from '../model/selection';

/// Heights of the Run's layers, px from its top.

export const NAME_ROWS = 5;
export const NAME_ROW_PX = 15;
export const NAME_BASE_Y = 74;
export const BAND_TOP_Y = 82;
export const CHIP_Y = 97;
export const CHIP_RADIUS = 9.5;
export const LINE_Y = 127;
/** At the foot of a post, above the thread. */
export const FOOT_SWITCH_Y = LINE_Y + 21;
export const THREAD_Y = 172;
export const SOUNDING_Y = 216;
export const SECTION_LABEL_Y = 236;
export const BAND_BOTTOM_Y = 244;
export const SCALE_Y = 253;
export const CAPTION_Y = 272;
export const INLET_Y = 290;
export const INLET_ROW_PX = 25;
export const RUN_HEIGHT = 280;
export const MARGIN_PX = 52;

/** What every part of the Run that can be selected is given. */
export interface RunPart {
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly optionId: (stop: Selection) => string;
  readonly isSelected: (stop: Selection) => boolean;
  readonly onSelect: (stop: Selection) => void;
}

/** Roughly how wide a text of the interface face is at 13 px. */
export const textWidth = (text: string): number => text.length * 6.4;

export const shorten = (text: string, most: number): string =>
  text.length <= most ? text : `${text.slice(0, most - 1).trimEnd()}…`;
