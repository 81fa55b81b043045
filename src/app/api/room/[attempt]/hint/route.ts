import { ok } from '@/core/base/result';
import { takeHint } from '@/server/sittings/hints';
import { drawHints } from '@/ui/sheet/draw-hints';
import { forWriting, readJson } from '../../../door';
import { respond } from '../../../respond';

const MOST_BYTES = 200;

/** A student asks for the next hint of a question. */
export function POST(request: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  return forWriting(request, async (ctx) => {
    const hints = await takeHint(ctx, (await params).attempt, await readJson(request, MOST_BYTES));
    return respond(hints.ok ? ok(drawHints(hints.value)) : hints);
  });
}
