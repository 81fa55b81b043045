import path from 'node:path';
import { createClient } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { Mutex } from './mutex';
import * as attempts from './schema/attempts';
import * as bank from './schema/bank';
import * as exams from './schema/exams';
import * as jobs from './schema/jobs';
import * as mail from './schema/mail';
import * as marks from './schema/marks';
import * as people from './schema/people';

const schema = { ...people, ...bank, ...exams, ...attempts, ...marks, ...jobs, ...mail };

/** Reads. Also the type of what queries accept, so that they work inside a transaction too. */
export type Reader = Pick<LibSQLDatabase<typeof schema>, 'select' | 'selectDistinct' | 'all' | 'get'>;
/** A transaction: the only thing that can write. */
export type Transaction = Parameters<Parameters<LibSQLDatabase<typeof schema>['transaction']>[0]>[0];

export interface Database {
  /** Where it is; worker threads open it for reading. */
  url: string;
  read: Reader;
  /**
   * Runs the work in one transaction and commits it; a throw rolls back. One at
   * a time in this process (libSQL in file mode refuses concurrent writers).
   */
  transaction: <T>(work: (tx: Transaction) => Promise<T>) => Promise<T>;
  close: () => void;
}

const BUSY_TIMEOUT = 2000;

/** A connection of its own that reads, for a worker thread. */
export function openReader(url: string): { read: Reader; close: () => void } {
  const client = createClient({ url, timeout: BUSY_TIMEOUT });
  return { read: drizzle(client, { schema }), close: () => client.close() };
}

/** Opens the database with one client for writing and one for reading, after bringing its schema up to date. */
export async function openDatabase(url: string): Promise<Database> {
  const writer = createClient({ url, concurrency: 1, timeout: BUSY_TIMEOUT });
  await writer.execute('PRAGMA journal_mode = WAL');
  const writing = drizzle(writer, { schema });
  await migrate(writing, { migrationsFolder: path.join(process.cwd(), 'src/server/db/migrations') });
  const reader = createClient({ url, timeout: BUSY_TIMEOUT });
  const reading = drizzle(reader, { schema });
  const mutex = new Mutex();
  return {
    url,
    read: reading,
    transaction: (work) => mutex.run(() => writing.transaction(work)),
    close() {
      writer.close();
      reader.close();
    },
  };
}
