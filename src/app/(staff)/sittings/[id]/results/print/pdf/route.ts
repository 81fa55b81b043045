import { forSignedIn } from '@/app/api/door';
import { printFile } from '@/app/api/print-file';
import { ok } from '@/core/base/result';
import { openSummary } from '@/server/results/summary';

export function GET(request: Request, { params }: RouteContext<'/sittings/[id]/results/print/pdf'>): Promise<Response> {
  return forSignedIn(async (ctx) => {
    const summary = await openSummary(ctx, (await params).id);
    return printFile(request, summary.ok ? ok(`${summary.value.title}, summary`) : summary);
  });
}
