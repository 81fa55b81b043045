import type { PrintedExam } from '@/server/exams/printed';
import { drawVersion } from './draw-version';
import { PrintDesk } from './PrintDesk';
import type { PrintOrder } from './print-order';

interface Props {
  exam: PrintedExam;
  order: PrintOrder;
  back: { href: string; name: string };
  /** Whether the server can make PDF files. */
  pdf: boolean;
}

/** The print desk, with formulas drawn on the server. */
export function PrintScreen({ exam: { head, version }, order, back, pdf }: Props) {
  return <PrintDesk exam={head} version={drawVersion(version)} order={order} back={back} pdf={pdf} />;
}
