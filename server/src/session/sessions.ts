import type { Queryable } from '../db/database';

const DAYS = 30;
export const SESSION_MS = DAYS * 86_400_000;

/** Who has signed in and not out again. */
export class Sessions {
  constructor(private readonly db: Queryable) {}

  /** @returns its id */
  async begin(): Promise<string> {
    await this.db.query('delete from sessions where ends_at <= now()');
    const [row] = await this.db.query<{ id: string }>(
      `insert into sessions (ends_at) values (now() + interval '${DAYS} days') returning id`,
    );
    return row!.id;
  }

  async isOpen(id: string): Promise<boolean> {
    const rows = await this.db.query(
      'select from sessions where id = $1::uuid and ends_at > now()',
      [id],
    );
    return rows.length === 1;
  }

  async end(id: string): Promise<void> {
    await this.db.query('delete from sessions where id = $1::uuid', [id]);
  }

  async endAll(): Promise<void> {
    await this.db.query('delete from sessions');
  }
}
