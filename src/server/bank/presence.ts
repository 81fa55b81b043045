import { eq } from 'drizzle-orm';
import type { SignedIn } from '../auth/sessions';
import type { Context } from '../context';
import { questions } from '../db/schema/bank';
import { mayWriteIn } from './access';

/** How long somebody counts as being at the bench after the last word of their browser. */
const HERE = 25_000;

/** Who is at which bench; only in this process, because nothing is lost with it. */
const KEY = Symbol.for('zonda.benches');
const holder = globalThis as { [KEY]?: Map<string, Map<string, { name: string; at: number }>> };

/** Says that somebody is at the bench of a question; returns the names of the others who are. Nobody else is told of a question that the actor does not see. */
export async function atBench(ctx: Context & { actor: SignedIn }, question: string): Promise<string[]> {
  const { actor: member, now } = ctx;
  const [head] = await ctx.db.read.select({ bank: questions.bank }).from(questions).where(eq(questions.id, question));
  if (!head || !(await mayWriteIn(ctx, head.bank))) return [];
  const benches = (holder[KEY] ??= new Map());
  const here = benches.get(question) ?? new Map<string, { name: string; at: number }>();
  benches.set(question, here);
  here.set(member.id, { name: member.name, at: now });
  for (const [bench, people] of benches) {
    for (const [id, { at }] of people) if (now - at > HERE) people.delete(id);
    if (people.size === 0) benches.delete(bench);
  }
  return [...here].filter(([id]) => id !== member.id).map(([, { name }]) => name);
}
