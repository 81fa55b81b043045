import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { readUserName } from '@/core/people/user-name';
import { acceptablePassword } from '../auth/password';
import { noteTry, waitOn } from '../auth/tries';
import { type Outside, parse } from '../context';
import type { SetUpWord } from '../ports/set-up-word';
import { installDepartment } from './install';
import { departmentNames, findDepartment, FIRST_POLICY } from './policy';

const input = departmentNames.extend({
  /** Of the server. */
  word: z.string().max(100, 'too-long'),
  /** The lead's. */
  person: z.string().trim().min(1, 'name-empty').max(80, 'name-long'),
  userName: z.string().max(200, 'too-long'),
  password: z.string().max(500, 'too-long'),
});

/** What wrong words are counted under. */
const TRIED = 'set-up word';

/**
 * Sets up the department of an empty database: its names, its lead, and a bank that everybody of it shares. Only once, and
 * only by somebody who knows the word of the server. Ends with the lead's user name as it is kept.
 */
export async function setUpDepartment(
  out: Outside,
  word: SetUpWord,
  { source, ...raw }: { source: string } & Readonly<Record<string, unknown>>,
): Promise<Result<{ userName: string }>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { name, institute, person, password } = parsed.value;
  const already = refuse('set-up-already');
  if (await findDepartment(out.db.read)) return already;
  const wait = waitOn(TRIED, source, out.now);
  if (wait > 0) return refuse('code-slowed', { at: ['word'], values: { seconds: Math.ceil(wait / 1000) } });
  const right = await word.read();
  // A file that somebody has emptied is no word.
  if (right === '' || parsed.value.word.trim().toLowerCase() !== right) {
    noteTry(TRIED, source, out.now);
    return refuse('set-up-word-wrong', { at: ['word'] });
  }
  const userName = readUserName(parsed.value.userName);
  if (userName === null) return refuse('user-name-odd', { at: ['userName'] });
  const acceptable = acceptablePassword(password, [userName, person]);
  if (!acceptable.ok) return refuse(acceptable.refusal.code, { ...acceptable.refusal, at: ['password'] });
  try {
    await installDepartment(out, {
      name,
      institute,
      policy: FIRST_POLICY,
      people: [{ userName, name: person, role: 'lead', password }],
      courses: [],
      banks: [{ name: 'Shared bank', share: 'department', owner: userName, topics: [] }],
    });
  } catch (error) {
    // Somebody was quicker.
    if (await findDepartment(out.db.read)) return already;
    throw error;
  }
  await word.forget();
  return ok({ userName });
}
