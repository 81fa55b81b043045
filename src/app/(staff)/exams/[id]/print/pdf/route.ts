import { forSignedIn } from '@/app/api/door';
import { printFile } from '@/app/api/print-file';
import { ok } from '@/core/base/result';
import { printedExam } from '@/server/exams/printed';
import { papersOrder, printOrder } from '@/ui/print/print-order';

export function GET(request: Request, { params }: RouteContext<'/exams/[id]/print/pdf'>): Promise<Response> {
  return forSignedIn(async (ctx) => {
    const order = printOrder(Object.fromEntries(new URL(request.url).searchParams));
    const exam = await printedExam(ctx, (await params).id, papersOrder(order));
    return printFile(request, exam.ok ? ok(exam.value.head.title) : exam);
  });
}
