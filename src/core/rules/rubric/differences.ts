import type { Judgement, Rubric } from './rubric';

/** How far students judged themselves from whoever marked, for one criterion. */
export interface Difference {
  title: string;
  /** How many scripts for each difference in levels, own less the marker's: from so many below to so many above. */
  counts: { by: number; scripts: number }[];
}

/** Own judgements against those of whoever marked, over a class; scripts in which a criterion was not judged by both are left out of it. */
export function differences(
  { criteria, levels }: Rubric,
  pairs: readonly { own: Judgement; marker: Judgement }[],
): Difference[] {
  const most = levels.length - 1;
  return criteria.map(({ id, title }) => {
    const all = pairs.flatMap(({ own, marker }) => {
      const [mine, theirs] = [own[id]?.level ?? null, marker[id]?.level ?? null];
      return mine === null || theirs === null ? [] : [mine - theirs];
    });
    const counts = Array.from({ length: 2 * most + 1 }, (_, i) => i - most).map((by) => ({
      by,
      scripts: all.filter((one) => one === by).length,
    }));
    return { title, counts };
  });
}
