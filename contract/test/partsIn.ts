import { readWorkspace, type WorkspacePart } from '../src';

/** Bytes of a text, cut where nobody would cut. */
export async function* bytesOf(text: string, piece = 7919): AsyncGenerator<Uint8Array> {
  const bytes = new TextEncoder().encode(text);
  for (let at = 0; at < bytes.length; at += piece) yield bytes.subarray(at, at + piece);
}

/** The parts of a workspace whose lines are these; a text is taken as it is. */
export async function partsIn(
  lines: readonly object[] | string,
  piece?: number,
): Promise<readonly WorkspacePart[]> {
  const text =
    typeof lines === 'string' ? lines : lines.map((line) => `${JSON.stringify(line)}\n`).join('');
  const parts: WorkspacePart[] = [];
  for await (const part of readWorkspace(bytesOf(text, piece))) parts.push(part);
  return parts;
}
