import { handIn } from '@/server/sittings/hand-in';
import { forWriting } from '../../../door';
import { respond } from '../../../respond';

export function POST(request: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  return forWriting(request, async (ctx) => respond(await handIn(ctx, (await params).attempt)));
}
