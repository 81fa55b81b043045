import type { QuestionSheet } from '@/core/bank/sheet';
import type { DeskAnswer } from '@/server/marking/desk';
import { traceText } from '../words/traces';
import { type DrawnFormulas, drawSheetFormulas, drawTextFormulas } from './formulas';
import { drawResponseFormulas } from './response-formulas';

/** The formulas of answers that are marked: in what was answered, in why they wait, and on sheets of their own. */
export function drawAnswers(sheet: QuestionSheet, answers: readonly DeskAnswer[]): DrawnFormulas {
  return Object.assign(
    {},
    ...answers.map(({ responses, answer, trace, own }) => ({
      ...drawResponseFormulas(sheet, responses),
      ...(own ? drawSheetFormulas(own.sheet) : {}),
      ...drawTextFormulas(answer, traceText(trace), own?.key ?? ''),
    })),
  ) as DrawnFormulas;
}
