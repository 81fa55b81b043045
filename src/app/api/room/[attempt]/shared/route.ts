import { forSignedIn } from '@/app/api/door';
import { openShared } from '@/server/sittings/shared';
import { respond } from '../../../respond';

/** What the others of a group have written, and where they are at it. */
export function GET(_: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  return forSignedIn(async (ctx) => respond(await openShared(ctx, (await params).attempt)));
}
