import { spawnSync } from 'node:child_process';
import { rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { temporaryFolder } from './databases';

const MIB = 2 ** 20;

/** A disk of its own that is soon full. */
export interface SmallDisk {
  readonly folder: string;
  /** Fills it until so much is free. */
  fillTo(freeMib: number): void;
  /** What it was filled with is gone. */
  empty(): void;
  unmount(): void;
}

/** Null where none can be mounted: that takes rights that not everybody has. */
export function mountSmallDisk(sizeMib: number): SmallDisk | null {
  const folder = temporaryFolder();
  const args = ['-t', 'tmpfs', '-o', `size=${sizeMib}m`, 'tmpfs', folder];
  if (process.platform !== 'linux' || spawnSync('mount', args).status !== 0) return null;
  const filling = join(folder, 'filling');
  const empty = () => rmSync(filling, { force: true });
  return {
    folder,
    empty,
    fillTo: (freeMib) => {
      empty();
      const { bavail, bsize } = statfsSync(folder);
      writeFileSync(filling, Buffer.alloc(bavail * bsize - freeMib * MIB));
    },
    unmount: () => void spawnSync('umount', ['-l', folder]),
  };
}
