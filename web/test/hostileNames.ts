import { readRig } from '@gullwind/contract';
import type { GearItem, Rig } from '@gullwind/core';
import { DEMO_GEAR } from '../../server/src/demo/demoGear';
import { DEMO_RIGS } from '../../server/src/demo/demoRigs';

/// Names that would be something else in a file, where a file took them for more than names.

export const HOSTILE = [
  '<script>alert(1)</script>',
  '"><img src=x onerror=alert(1)>',
  "'/><!DOCTYPE x [<!ENTITY e SYSTEM 'file:///etc/passwd'>]>&e;",
  ']]></text><foreignObject/>',
  "=cmd|'/c calc'!A1",
  '+1+1',
  '-2+3',
  '@SUM(A1)',
  '\t=1+1',
  '\r=1+1',
  'a\r\n.include /etc/passwd\r\nR9 1 0 1k',
  'a\n0\nENDSEC\n0\nCIRCLE',
  '*/ .control shell ls .endc',
  ') /JavaScript (app.alert(1)) >> endobj',
  '../../etc/passwd',
  'CON',
  '\u202egnp.exe',
  '%s%n {{7*7}} ${7*7}',
  'a\u2028\u2029b',
  '😀'.repeat(20),
];

/** Fields that hold what somebody has typed. */
const TYPED = new Set(['name', 'player', 'note', 'title', 'subject', 'says', 'by', 'notes']);

/** A copy in which everything that somebody has typed says something else. */
function renamed<T>(value: T, name: string): T {
  if (Array.isArray(value)) return value.map((one: unknown) => renamed(one, name)) as T;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]: [string, unknown]) => [
      key,
      TYPED.has(key) && typeof one === 'string' ? name : renamed(one, name),
    ]),
  ) as T;
}

/** The first demo rig with all of its names another; it has everything that a rig can have, and is accepted by the server. */
export function rigNamed(name: string): Rig {
  const read = readRig(renamed(DEMO_RIGS[0]!.rig, name));
  if (read.kind === 'refused') throw new Error(read.problems[0]!.message);
  return read.value;
}

export const gearNamed = (name: string): readonly GearItem[] => renamed(DEMO_GEAR, name);
