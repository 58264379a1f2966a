import type { Queryable } from '../db/database';

/** So much text goes to the database at once: on the embedded engine nobody else is served meanwhile. */
const BATCH_LENGTH = 2 ** 18;

/** Gathers rows of one kind and writes them together, each kind by its statement; kinds keep their order. */
export class Batches<Kind extends string> {
  private batch: { readonly kind: Kind; readonly rows: string[] } | null = null;
  private length = 0;

  /** @param statements take a list of rows as JSON */
  constructor(
    private readonly tx: Queryable,
    private readonly statements: Readonly<Record<Kind, string>>,
  ) {}

  async add(kind: Kind, row: object): Promise<void> {
    if (this.batch?.kind !== kind) await this.flush();
    this.batch ??= { kind, rows: [] };
    const text = JSON.stringify(row);
    this.batch.rows.push(text);
    this.length += text.length;
    if (this.length >= BATCH_LENGTH) await this.flush();
  }

  async flush(): Promise<void> {
    const { batch } = this;
    this.batch = null;
    this.length = 0;
    if (batch) await this.tx.query(this.statements[batch.kind], [`[${batch.rows.join(',')}]`]);
  }
}
