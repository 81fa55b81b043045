import { forSignedIn } from '@/app/api/door';
import { respond } from '@/app/api/respond';
import { refuse } from '@/core/base/result';
import { ownCalendar } from '@/server/sittings/calendar';

/** A student's sittings as a calendar file. */
export function GET(): Promise<Response> {
  return forSignedIn(async (ctx) => {
    if (ctx.actor.role !== 'student') return respond(refuse('forbidden'));
    return new Response(await ownCalendar(ctx), {
      headers: {
        'Content-Type': 'text/calendar; charset=utf-8',
        'Content-Disposition': 'attachment; filename="sittings.ics"',
        'Cache-Control': 'no-store',
      },
    });
  });
}
