import type { Checked } from '@/server/sittings/practice';
import { traceText } from '../words/traces';
import { type DrawnFormulas, drawContentFormulas, drawTextFormulas } from './formulas';

/** What was told of a question, with its formulas drawn for a page without a formula engine. */
export interface DrawnChecked extends Checked {
  drawn: DrawnFormulas;
}

export function drawChecked(checked: Checked): DrawnChecked {
  const texts = checked.slots.flatMap(({ key, trace }) => [key ?? '', traceText(trace)]);
  const { explanation } = checked;
  return {
    ...checked,
    drawn: { ...(explanation ? drawContentFormulas(explanation) : {}), ...drawTextFormulas(...texts) },
  };
}
