import { forSignedIn } from '@/app/api/door';
import { respond } from '@/app/api/respond';
import { openProgress } from '@/server/results/open-analysis';

/** How far the analysis of a sitting is, while it is reckoned. */
export function GET(_: Request, { params }: RouteContext<'/sittings/[id]/analysis/progress'>): Promise<Response> {
  return forSignedIn(async (ctx) => respond(await openProgress(ctx, (await params).id)));
}
