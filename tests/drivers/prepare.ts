import path from 'node:path';
import { createClient } from '@libsql/client';
import { SESSION_LENGTH, tokenHash } from '../../src/server/auth/sessions';
import { loadDemo, PREPARED, tokenOf } from './server';

/**
 * Loads the demo department once, unless that was done before; each file of stories plays on a copy. Everybody has come
 * through the door there: the stories of the door are told once, and nobody else pays for its slow lock.
 */
export default async function prepare(): Promise<void> {
  if (process.env.DEMO_LOADED === undefined) loadDemo(PREPARED);
  const db = createClient({ url: `file:${path.join(PREPARED, 'zonda.db')}` });
  const { rows } = await db.execute('select id, user_name as userName from members');
  const until = Date.now() + SESSION_LENGTH;
  await db.batch(
    rows.map(({ id, userName }) => ({
      sql: 'insert or replace into sessions (token_hash, member, expires_at) values (?, ?, ?)',
      args: [tokenHash(tokenOf(String(userName))), String(id), until],
    })),
    'write',
  );
  db.close();
}
