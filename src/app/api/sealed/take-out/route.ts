import { takeOutSealed } from '@/server/exchange/sealed-files';
import { forBuilding, readJson } from '../../door';
import { respond } from '../../respond';

const MOST = 2000;

/** An exam, or the answers to one, as a sealed file. */
export function POST(request: Request): Promise<Response> {
  return forBuilding(request, async (ctx) => {
    const taken = await takeOutSealed(ctx, await readJson(request, MOST));
    if (!taken.ok) return respond(taken);
    return new Response(Buffer.from(taken.value.bytes), {
      headers: {
        'Content-Type': 'application/octet-stream',
        'Content-Disposition': `attachment; filename="${taken.value.name}"`,
        'Cache-Control': 'no-store',
      },
    });
  });
}
