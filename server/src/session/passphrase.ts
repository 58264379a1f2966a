import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import type { Queryable } from '../db/database';
import { Sessions } from './sessions';

const derive = promisify(scrypt) as (
  secret: string,
  salt: Buffer,
  length: number,
) => Promise<Buffer>;

export const LEAST_PASSPHRASE = 12;
const KEY_BYTES = 32;

/**
 * Knows the passphrase only as a key derived from it (scrypt, salt kept in the database). The same key
 * signs session cookies, so that they hold over restarts and across several server processes, and end
 * when the passphrase changes. Which sessions are open is kept in the database.
 */
export class Gatekeeper {
  private constructor(
    private readonly key: Buffer,
    private readonly salt: Buffer,
    readonly sessions: Sessions,
  ) {}

  static async open(db: Queryable, passphrase: string): Promise<Gatekeeper> {
    await db.query(
      `insert into secrets (name, value) values ('passphrase-salt', $1) on conflict do nothing`,
      [randomBytes(16).toString('hex')],
    );
    const [row] = await db.query<{ value: string }>(`select value from secrets where name = $1`, [
      'passphrase-salt',
    ]);
    const salt = Buffer.from(row!.value, 'hex');
    return new Gatekeeper(await derive(passphrase, salt, KEY_BYTES), salt, new Sessions(db));
  }

  async admits(passphrase: string): Promise<boolean> {
    return timingSafeEqual(await derive(passphrase, this.salt, KEY_BYTES), this.key);
  }

  /** What session cookies are signed with. */
  get signingKey(): string {
    return this.key.toString('hex');
  }
}
