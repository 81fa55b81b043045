import { ok } from '@/core/base/result';
import { checkQuestion } from '@/server/sittings/practice';
import { drawChecked } from '@/ui/sheet/draw-checked';
import { forWriting, readJson } from '../../../door';
import { respond } from '../../../respond';

const MOST_BYTES = 200;

/** A student has a question checked, or looks at its key. */
export function POST(request: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  return forWriting(request, async (ctx) => {
    const checked = await checkQuestion(ctx, (await params).attempt, await readJson(request, MOST_BYTES));
    return respond(checked.ok ? ok(drawChecked(checked.value)) : checked);
  });
}
