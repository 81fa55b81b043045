import { goToNextStage } from '@/server/sittings/stages';
import { forWriting, readJson } from '../../../door';
import { respond } from '../../../respond';

const MOST_BYTES = 200;

/** A student leaves a part of the paper for good and enters the next. */
export function POST(request: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  return forWriting(request, async (ctx) =>
    respond(await goToNextStage(ctx, (await params).attempt, await readJson(request, MOST_BYTES))),
  );
}
