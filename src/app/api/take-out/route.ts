import { refuse } from '@/core/base/result';
import { TEMPLATE_ROWS } from '@/core/exchange/rows';
import { maybeContext } from '@/server/auth/request';
import { xlsxFromRows } from '@/server/exchange/spreadsheet';
import { takeOut, XLSX } from '@/server/exchange/take-out';
import { fromOurPages, respond } from '../respond';

function file(bytes: Uint8Array, mime: string, name: string, more: Record<string, string> = {}): Response {
  return new Response(Buffer.from(bytes), {
    headers: {
      'Content-Type': mime,
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'no-store',
      ...more,
    },
  });
}

/** The template of a spreadsheet of questions. */
export async function GET(): Promise<Response> {
  if (!(await maybeContext())) return respond(refuse('not-signed-in'));
  return file(await xlsxFromRows('Questions', TEMPLATE_ROWS), XLSX, 'questions-template.xlsx');
}

/** Questions as a file; X-Left-Out says how many it could not hold. */
export async function POST(request: Request): Promise<Response> {
  const ctx = await maybeContext();
  if (!ctx) return respond(refuse('not-signed-in'));
  if (!fromOurPages(request)) return respond(refuse('forbidden'));
  const taken = await takeOut(ctx, await request.json().catch(() => null));
  if (!taken.ok) return respond(taken);
  const { bytes, mime, name, leftOut } = taken.value;
  return file(bytes, mime, name, { 'X-Left-Out': String(leftOut) });
}
