import { randomUUID } from 'node:crypto';
import { link, readFile, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { firstPassword } from '../auth/first-password';

/** The word that whoever sets up the department has to know: it is said to those alone who look after the server. */
export interface SetUpWord {
  /** Made when it is first asked for; the same for every process on this data folder. */
  read: () => Promise<string>;
  /** Once it has served. */
  forget: () => Promise<void>;
}

/** Keeps the word in a file `set-up-word` of the data folder. */
export function wordInFolder(folder: string): SetUpWord {
  const file = path.join(folder, 'set-up-word');
  return {
    async read() {
      const draft = `${file}.${randomUUID()}`;
      await writeFile(draft, `${firstPassword()}\n`, { mode: 0o600 });
      // It appears whole or not at all, and the first to make it wins.
      await link(draft, file).catch((error: NodeJS.ErrnoException) => {
        if (error.code !== 'EEXIST') throw error;
      });
      await rm(draft);
      return (await readFile(file, 'utf8')).trim();
    },
    forget: () => rm(file, { force: true }),
  };
}
