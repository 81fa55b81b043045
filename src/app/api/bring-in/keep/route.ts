import { keepBroughtIn } from '@/server/exchange/keep';
import { forBuilding, readJson } from '../../door';
import { respond } from '../../respond';

const MOST = 20 * 1024 * 1024;

/** Keeps a batch of questions that were brought in. */
export function POST(request: Request): Promise<Response> {
  return forBuilding(request, async (ctx) => respond(await keepBroughtIn(ctx, await readJson(request, MOST))));
}
