import { respond } from '@/app/api/respond';
import { refuse } from '@/core/base/result';
import { maybeContext } from '@/server/auth/request';
import { gradebookCsv, gradebookXlsx } from '@/server/gradebook/export';
import { openGradebook } from '@/server/gradebook/gradebook';

/** The gradebook as a file: ?as=csv or ?as=xlsx. */
export async function GET(request: Request, { params }: { params: Promise<{ course: string }> }): Promise<Response> {
  const ctx = await maybeContext();
  if (!ctx) return respond(refuse('not-signed-in'));
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
}
