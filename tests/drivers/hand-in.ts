import type { Context } from '../../src/server/context';
import { markWaiting } from '../../src/server/marking/mark-handed-in';
import { handIn } from '../../src/server/sittings/hand-in';

/** Hands in and waits for the marks, which the reply itself waits for only while they come quickly. */
export async function handInAndMark(ctx: Context, attempt: string): ReturnType<typeof handIn> {
  const handed = await handIn(ctx, attempt);
  await markWaiting(ctx);
  return handed;
}
