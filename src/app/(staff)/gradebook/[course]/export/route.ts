import { forSignedIn } from '@/app/api/door';
import { respond } from '@/app/api/respond';
import { gradebookCsv } from '@/server/gradebook/export';
import { openGradebook } from '@/server/gradebook/gradebook';
import { oneRosterResults } from '@/server/gradebook/one-roster';
import { gradebookXlsx } from '@/server/gradebook/workbook';

/** The gradebook as a file: ?as=csv, ?as=xlsx or ?as=oneroster. */
export function GET(request: Request, { params }: { params: Promise<{ course: string }> }): Promise<Response> {
  return forSignedIn(async (ctx) => {
    const book = await openGradebook(ctx, (await params).course);
    if (!book.ok) return respond(book);
    const name = book.value.course.code.replace(/[^\w-]/g, '_');
    const file = (type: string, ending: string): HeadersInit => ({
      'Content-Type': type,
      'Content-Disposition': `attachment; filename="${name}.${ending}"`,
      'Cache-Control': 'no-store',
    });
    switch (new URL(request.url).searchParams.get('as')) {
      case 'xlsx':
        return new Response(Buffer.from(await gradebookXlsx(book.value)), {
          headers: file('application/vnd.openxmlformats-officedocument.spreadsheetml.sheet', 'xlsx'),
        });
      case 'oneroster':
        return new Response(Buffer.from(oneRosterResults(book.value, ctx.now)), {
          headers: file('application/zip', 'oneroster.zip'),
        });
      default:
        return new Response(gradebookCsv(book.value), { headers: file('text/csv; charset=utf-8', 'csv') });
    }
  });
}
