import { forSignedIn } from '@/app/api/door';
import { respond } from '@/app/api/respond';
import { sittingTable, sittingXlsx } from '@/server/results/sitting-table';

/** A whole sitting as a workbook: every answer, every mark, the times. */
export function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return forSignedIn(async (ctx) => {
    const table = await sittingTable(ctx, (await params).id);
    if (!table.ok) return respond(table);
    return new Response(Buffer.from(await sittingXlsx(table.value)), {
      headers: {
        'Content-Type': 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        'Content-Disposition': `attachment; filename="${table.value.title.replace(/[^\w-]/g, '_')}.xlsx"`,
        'Cache-Control': 'no-store',
      },
    });
  });
}
