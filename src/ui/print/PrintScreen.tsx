import type { PrintedExam } from '@/server/exams/printed';
import { canPrint } from '@/server/ports/printer';
import { drawVersion } from './draw-version';
import { PrintDesk } from './PrintDesk';
import type { PrintOrder } from './print-order';

interface Props {
  exam: PrintedExam;
  order: PrintOrder;
  back: { href: string; name: string };
}

/** The print desk, with formulas drawn on the server. */
export function PrintScreen({ exam: { head, version }, order, back }: Props) {
  return <PrintDesk exam={head} version={drawVersion(version)} order={order} back={back} pdf={canPrint()} />;
}
