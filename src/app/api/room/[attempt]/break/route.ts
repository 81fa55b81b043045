import { z } from 'zod';
import { parse } from '@/server/context';
import { endBreak, takeBreak } from '@/server/sittings/breaks';
import { forWriting, readJson } from '../../../door';
import { respond } from '../../../respond';

const MOST_BYTES = 100;
const asked = z.object({ take: z.boolean() });

/** A student rests, or goes on. */
export function POST(request: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  return forWriting(request, async (ctx) => {
    const read = parse(asked, await readJson(request, MOST_BYTES));
    if (!read.ok) return respond(read);
    const { attempt } = await params;
    return respond(await (read.value.take ? takeBreak(ctx, attempt) : endBreak(ctx, attempt)));
  });
}
