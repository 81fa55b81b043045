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
import type { KindWith } from '../contract';

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

const keyText = ({ rules }: MathsSetup): string => rules.rules[0]?.key ?? '';

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

export const maths: KindWith<'marked' | 'typed' | 'valued', MathsSetup, MathsSheet, MathsResponse> = {
  name: 'maths',
  placement: 'inline',
  setup: { name: 'maths setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'maths response', version: 1, schema: response, migrations: [] },
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
  readiness: ({ rules }) => mathsRulesReadiness(rules),
  describe: () => '…',
  describeResponse: ({ rules }, { formula }) => drawable(formula, rules.variables),
  gist: ({ rules }, { formula }) => gistOfMaths(rules, formula),
  same: ({ rules }, a, b) => sameFormula(rules, a.formula, b.formula),
  put: (setup, put) => ({ ...setup, rules: putInMaths(setup.rules, put) }),
  marked: {
    mark: ({ rules }, { formula }) => markMaths(rules, formula),
    key(setup) {
      const formula = keyText(setup);
      return formula === '' ? null : { formula };
    },
    describeKey: ({ rules }) => drawable(rules.rules[0]?.key ?? '', rules.variables),
    fixedKeyPlace: () => null,
    tryouts: ({ rules }) => mathsTryouts(rules).map((formula) => ({ formula })),
  },
  typed: {
    name: 'mathematics',
    withKey(setup, typed) {
      const rules = rulesFromKey(typed.replace(/^\*\s*/, '').split('\n')[0] ?? '', setup.rules);
      return { ...setup, rules, palette: PALETTE_OF[rules.mode] ?? 'expression' };
    },
    keyText,
    response: (_, formula) => ({ formula }),
    responseText: (_, { formula }) => formula,
  },
  valued: { value: (_, { formula }) => formula.trim() || null },
};
