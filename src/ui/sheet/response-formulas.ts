import type { QuestionSheet } from '@/core/bank/sheet';
import { understood } from '@/core/rules/maths/understood';
import { sideOf } from '../kinds/registry';
import { type DrawnFormulas, drawFormula, formulaKey } from './formulas';

/** So many formulas of one answer are drawn; what is beyond stands as it was typed. */
const MOST_DRAWN = 300;

/** The formulas that were given as answers, drawn as they were understood. */
export function drawResponseFormulas(
  sheet: QuestionSheet,
  responses: Readonly<Record<string, unknown>>,
): DrawnFormulas {
  const drawn: DrawnFormulas = {};
  for (const [id, slot] of Object.entries(sheet.slots)) {
    const response = responses[id];
    const typed = response === undefined ? [] : (sideOf(slot.kind).formulas?.(response, slot.sheet) ?? []);
    for (const formula of [...new Set(typed)].slice(0, MOST_DRAWN))
      drawn[formulaKey(formula, false)] = drawTyped(formula);
  }
  return drawn;
}

function drawTyped(formula: string): string {
  const reading = understood(formula, {});
  return drawFormula(reading.ok ? reading.latex : formula, false);
}
