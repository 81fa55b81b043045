import type { Context } from '../context';
import type { CurrentMark } from './current-marks';
import { type DeskMark, probesIn, withProbes } from './probes';
import { keptBlind } from './second-mark';

/**
 * The marks of a sitting as far as the actor may know them: without those that are kept from whoever may still give a
 * second one, and with probes as answers that wait. Whatever shows marks to those who mark shows these.
 */
export async function marksAsSeen(ctx: Context, sitting: string, marks: readonly CurrentMark[]): Promise<DeskMark[]> {
  const isProbe = await probesIn(ctx, sitting);
  const blind = await keptBlind(ctx, sitting);
  return withProbes(
    ctx,
    marks.filter((mark) => isProbe(mark) || !blind(mark)),
    isProbe,
  );
}
