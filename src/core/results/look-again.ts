import { type Exact, exact } from '../base/exact';

/** What a question earned of what it is worth, by the topic that it belongs to. */
export interface OfTopic {
  topic: string;
  earned: Exact;
  of: Exact;
}

/** Whoever has less than this share of a topic's marks should look at it again; common practice, no source. */
const ENOUGH = exact('3/5');
/** So many signs say what to look at again. */
export const MOST_LOOK_AGAIN = 300;
/** More than so many are no advice. */
const MOST = 3;

/** The topics to look at again, the weakest first; of equal ones the one that was met first. */
export function weakTopics(questions: readonly OfTopic[]): string[] {
  const all = new Map<string, { earned: Exact; of: Exact }>();
  for (const { topic, earned, of } of questions) {
    const before = all.get(topic);
    all.set(topic, before ? { earned: before.earned.add(earned), of: before.of.add(of) } : { earned, of });
  }
  return [...all]
    .filter(([, { of }]) => of.compare(0) > 0)
    .map(([topic, { earned, of }]) => ({ topic, share: earned.div(of) }))
    .filter(({ share }) => share.compare(ENOUGH) < 0)
    .toSorted((a, b) => a.share.compare(b.share))
    .slice(0, MOST)
    .map(({ topic }) => topic);
}
