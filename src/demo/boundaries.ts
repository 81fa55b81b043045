import { contentFromText } from '@/core/content/written';
import { must } from '@/core/base/result';
import type { Context } from '@/server/context';
import { keepBoundarySet } from '@/server/results/boundary-sets';
import { openResults, saveBoundaries } from '@/server/results/results';
import { installation } from './department';

const { ranges, grades } = installation.policy;

/** Ranges and grades of a sitting, something that is said of one topic, and the set that the department keeps. */
export async function setBoundaries(ctx: Context, sitting: string): Promise<void> {
  const { parts } = must(await openResults(ctx, sitting));
  const topic = parts.find(({ title }) => title === 'Energy in the wind');
  const said = topic && {
    ...topic,
    passPercent: null,
    ranges: [
      { from: '0', text: contentFromText('The cube of the wind speed is what most of it hangs on.') },
      { from: '60', text: contentFromText('You can reckon with the wind.') },
    ],
  };
  const boundaries = { version: 1, passPercent: '50', ranges, grades, parts: said ? [said] : [] };
  must(await saveBoundaries(ctx, { sitting, base: 1, boundaries }));
  must(await keepBoundarySet(ctx, { name: 'Checks of the course', ranges, grades }));
}
