import { TEMPLATE_ROWS } from '@/core/exchange/rows';
import { may } from '@/core/people/may';
import { FORBIDDEN } from '@/server/context';
import { xlsxFromRows } from '@/server/exchange/spreadsheet';
import { takeOut, XLSX } from '@/server/exchange/take-out';
import { forBuilding, forSignedIn, readJson } from '../door';
import { respond } from '../respond';

const MOST = 1024 * 1024;

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
export function GET(): Promise<Response> {
  return forSignedIn(async (ctx) =>
    may(ctx.actor, 'build exams', null)
      ? file(await xlsxFromRows('Questions', TEMPLATE_ROWS), XLSX, 'questions-template.xlsx')
      : respond(FORBIDDEN),
  );
}

/** Questions as a file; X-Left-Out says how many it could not hold. */
export function POST(request: Request): Promise<Response> {
  return forBuilding(request, async (ctx) => {
    const taken = await takeOut(ctx, await readJson(request, MOST));
    if (!taken.ok) return respond(taken);
    const { bytes, mime, name, leftOut } = taken.value;
    return file(bytes, mime, name, { 'X-Left-Out': String(leftOut) });
  });
}
