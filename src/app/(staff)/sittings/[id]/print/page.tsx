import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { printedSitting } from '@/server/exams/printed';
import { canPrint } from '@/server/ports/printer';
import { papersOrder, printOrder } from '@/ui/print/print-order';
import { PrintScreen } from '@/ui/print/PrintScreen';

export const metadata: Metadata = { title: 'Print' };

export default async function PrintSittingPage({ params, searchParams }: PageProps<'/sittings/[id]/print'>) {
  const { id } = await params;
  const order = printOrder(await searchParams);
  const exam = await printedSitting(await staffContext(), id, papersOrder(order));
  if (!exam.ok) notFound();
  return (
    <PrintScreen
      exam={exam.value}
      order={order}
      back={{ href: `/sittings/${id}`, name: exam.value.head.title }}
      pdf={canPrint()}
    />
  );
}
