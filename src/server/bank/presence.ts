import type { SignedIn } from '../auth/sessions';

/** How long somebody counts as being at the bench after the last word of their browser. */
const HERE = 25_000;

/** Who is at which bench; only in this process, because nothing is lost with it. */
const KEY = Symbol.for('zonda.benches');
const holder = globalThis as { [KEY]?: Map<string, Map<string, { name: string; at: number }>> };

/** Says that somebody is at the bench of a question; returns the names of the others who are. */
export function atBench(question: string, member: SignedIn, now: number): string[] {
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
