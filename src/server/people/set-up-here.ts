import { readEnv } from '../env';
import { outside } from '../outside';
import { type SetUpWord, wordInFolder } from '../ports/set-up-word';
import { findDepartment } from './policy';

/** The word of this server. */
export const wordOfServer = (): SetUpWord => wordInFolder(readEnv().dataFolder);

/** The word that a department can be set up with; null where there is one already. */
export async function wordToSetUp(): Promise<string | null> {
  return (await findDepartment((await outside()).db.read)) ? null : wordOfServer().read();
}
