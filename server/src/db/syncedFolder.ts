import { fsyncSync } from 'node:fs';
import type { PGlite } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';

type Options = Parameters<NodeFS['init']>[1];

/** What of the engine's file system is changed here. */
interface FileSystem {
  readonly NODEFS: {
    readonly stream_ops: { fsync?: (stream: { readonly nfd: number }) => number };
    tryFSOperation(work: () => void): void;
  };
}

/**
 * A directory for the embedded engine. A checkpoint asks for its files to be written through to the disk; the engine’s own
 * file system says yes and does nothing, so that a cut of power could take what the log no longer holds.
 */
export class SyncedFolder extends NodeFS {
  /** @param sync writes a file through to the disk, by its descriptor */
  constructor(
    directory: string,
    private readonly sync: (fd: number) => void = fsyncSync,
  ) {
    super(directory);
  }

  override async init(pg: PGlite, options: Options): ReturnType<NodeFS['init']> {
    const { emscriptenOpts } = await super.init(pg, options);
    const writeThrough = (module: unknown) => {
      const { NODEFS } = module as FileSystem;
      NODEFS.stream_ops.fsync = ({ nfd }) => {
        NODEFS.tryFSOperation(() => this.sync(nfd));
        return 0;
      };
    };
    const preRun = [emscriptenOpts.preRun ?? []].flat();
    return { emscriptenOpts: { ...emscriptenOpts, preRun: [...preRun, writeThrough] } };
  }
}
