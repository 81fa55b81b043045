import { z } from 'zod';
import { gistOfMaths } from '../../rules/maths/gist';
import {
  LONGEST_FORMULA,
  markMaths,
  mathsRules,
  mathsRulesReadiness,
  putInMaths,
  rulesFromKey,
  sameFormula,
} from '../../rules/maths/rules';
import { mathsTryouts } from '../../rules/maths/tryouts';
import { understood } from '../../rules/maths/understood';
import type { Kind } from '../contract';

/** Which signs a student finds under the field. */
const PALETTE_NAMES = ['expression', 'comparison', 'matrix', 'general'] as const;

const setup = z.object({
  version: z.literal(1),
  rules: mathsRules,
  palette: z.enum(PALETTE_NAMES),
});
export type MathsSetup = z.infer<typeof setup>;

/** A formula as LaTeX or as plain typing. */
const response = z.object({ formula: z.string().max(LONGEST_FORMULA) });
export type MathsResponse = z.infer<typeof response>;

export interface MathsSheet {
  palette: MathsSetup['palette'];
  /** Names longer than a letter that the teacher declared. */
  variables: string[];
  decimalComma: boolean;
  /** How answers are read where that is open. */
  logBase: '10' | 'e';
  tightDenominators: boolean;
}

const typedKey = ({ rules }: MathsSetup): string => rules.rules[0]?.key ?? '';

/** Text in which the formula is drawn as it was understood; as it was typed when it cannot be read. */
function drawable(typed: string, variables: readonly string[]): string {
  const reading = understood(typed, { variables });
  return reading.ok ? `$${reading.latex}$` : typed;
}

const PALETTE_OF: Partial<Record<MathsSetup['rules']['mode'], MathsSetup['palette']>> = {
  equation: 'comparison',
  set: 'comparison',
  interval: 'comparison',
  tuple: 'matrix',
};

export const maths: Kind<MathsSetup, MathsSheet, MathsResponse> = {
  name: 'maths',
  placement: 'inline',
  setup: { name: 'maths setup', version: 1, schema: setup, migrations: [] },
  response,
  accepts: () => true,
  fresh: (conventions) => ({ version: 1, rules: rulesFromKey('', conventions), palette: 'expression' }),
  blank: ({ formula }) => formula.trim() === '',
  sheet: ({ palette, rules }) => ({
    palette,
    variables: rules.variables,
    decimalComma: rules.decimalComma,
    logBase: rules.logBase,
    tightDenominators: rules.tightDenominators ?? false,
  }),
  mark: ({ rules }, { formula }) => markMaths(rules, formula),
  readiness: ({ rules }) => mathsRulesReadiness(rules),
  describe: () => '…',
  describeResponse: ({ rules }, { formula }) => drawable(formula, rules.variables),
  describeKey: ({ rules }) => drawable(rules.rules[0]?.key ?? '', rules.variables),
  key(setup) {
    const formula = typedKey(setup);
    return formula === '' ? null : { formula };
  },
  fixedKeyPlace: () => null,
  withKey(setup, typed) {
    const rules = rulesFromKey(typed.replace(/^\*\s*/, '').split('\n')[0] ?? '', setup.rules);
    return { ...setup, rules, palette: PALETTE_OF[rules.mode] ?? 'expression' };
  },
  typedKey,
  tryouts: ({ rules }) => mathsTryouts(rules),
  gist: ({ rules }, { formula }) => gistOfMaths(rules, formula),
  same: ({ rules }, a, b) => sameFormula(rules, a.formula, b.formula),
  valueOf: (_, { formula }) => (formula.trim() === '' ? null : formula.trim()),
  put: (setup, put) => ({ ...setup, rules: putInMaths(setup.rules, put) }),
  fromTyped: (_, formula) => ({ formula }),
};
