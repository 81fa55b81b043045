import type { MathsRules } from './rules';
import { understood } from './understood';

/** What a typed formula comes to: how it is understood, without brackets that change nothing; the letters themselves when it cannot be read. */
export function gistOfMaths({ variables, logBase, tightDenominators = false }: MathsRules, formula: string): string {
  const reading = understood(formula, { variables, logBase, tightDenominators });
  return reading.ok ? reading.latex : formula.replace(/\s+/g, '');
}
