import { must } from '../../src/core/base/result';
import type { Context } from '../../src/server/context';
import { markWaiting } from '../../src/server/marking/mark-handed-in';
import { handIn } from '../../src/server/sittings/hand-in';
import type { TestDepartment } from './department';

/** Hands in and waits for the marks, which the reply itself waits for only while they come quickly. */
export async function handInAndMark(ctx: Context, attempt: string): ReturnType<typeof handIn> {
  const handed = await handIn(ctx, attempt);
  const { failed } = await markWaiting(ctx);
  if (failed.length > 0) throw failed[0];
  return handed;
}

/** Somebody gives a number to each question of a sitting (null leaves it empty), hands in and is marked. Returns the attempt. */
export async function handInNumbers(
  dept: TestDepartment,
  who: string,
  sitting: string,
  numbers: readonly (string | null)[],
): Promise<string> {
  const given = numbers.flatMap((number, i) => (number === null ? [] : [[`item${i}`, { a: { number, unit: '' } }]]));
  const attempt = await dept.sit(who, sitting, Object.fromEntries(given));
  must(await handInAndMark(dept.as(who), attempt));
  return attempt;
}
