import { forSignedIn } from '@/app/api/door';
import { respond } from '@/app/api/respond';
import { gradebookCsv, gradebookXlsx } from '@/server/gradebook/export';
import { openGradebook } from '@/server/gradebook/gradebook';

/** The gradebook as a file: ?as=csv or ?as=xlsx. */
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
    if (new URL(request.url).searchParams.get('as') === 'xlsx') {
      const bytes = await gradebookXlsx(book.value);
      return new Response(Buffer.from(bytes), {
        headers: file('application/vnd.openxmlformats-officedocument.spreadsheetml.sheet', 'xlsx'),
      });
    }
    return new Response(gradebookCsv(book.value), { headers: file('text/csv; charset=utf-8', 'csv') });
  });
}
