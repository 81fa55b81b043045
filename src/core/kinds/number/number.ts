import { z } from 'zod';
import { gistOfNumber, putInNumber, valueInKeyUnit } from '../../rules/number/answers';
import { markNumber, numberRules, numberRulesReadiness, rulesFromKey } from '../../rules/number/rules';
import { numberTryouts } from '../../rules/number/tryouts';
import type { KindWith } from '../contract';

const setup = z.object({
  version: z.literal(1),
  rules: numberRules,
  /** How the unit is answered: typed behind the number, chosen from a list, or printed and not asked. */
  unitEntry: z.enum(['typed', 'listed', 'printed']),
  /** The units to choose from, when listed. */
  units: z.array(z.string().trim().min(1).max(30)).max(12),
});
export type NumberSetup = z.infer<typeof setup>;

const response = z.object({ number: z.string().max(200), unit: z.string().max(60) });
export type NumberResponse = z.infer<typeof response>;

export interface NumberSheet {
  unitEntry: NumberSetup['unitEntry'];
  /** The units to choose from, or the one printed. */
  units: string[];
  /** Whether a unit is to be typed behind the number. */
  withUnit: boolean;
}

function keyText({ rules }: NumberSetup): string {
  return `${rules.rules[0]?.value ?? ''} ${rules.unit}`.trim();
}

/** The unit of an answer: what is printed behind it is not asked. */
function unitOf({ rules, unitEntry }: NumberSetup, { unit }: NumberResponse): string {
  return unitEntry === 'printed' && rules.unit !== '' ? rules.unit : unit;
}

function fromTyped({ unitEntry, units }: NumberSetup, typed: string): NumberResponse {
  if (unitEntry !== 'listed') return { number: typed, unit: '' };
  const unit = units.find((u) => typed.trim().endsWith(` ${u}`)) ?? '';
  return { number: unit ? typed.trim().slice(0, -unit.length).trim() : typed, unit };
}

export const number: KindWith<'marked' | 'typed' | 'valued', NumberSetup, NumberSheet, NumberResponse> = {
  name: 'number',
  placement: 'inline',
  setup: { name: 'number setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'number response', version: 1, schema: response, migrations: [] },
  accepts: () => true,
  fresh: () => ({ version: 1, rules: rulesFromKey(''), unitEntry: 'typed', units: [] }),
  blank: ({ number }) => number.trim() === '',
  sheet({ rules, unitEntry, units }) {
    if (unitEntry === 'printed') return { unitEntry, units: rules.unit === '' ? [] : [rules.unit], withUnit: false };
    return {
      unitEntry,
      units: unitEntry === 'listed' ? units : [],
      withUnit: unitEntry === 'typed' && rules.unit !== '' && rules.unit !== '1',
    };
  },
  readiness({ rules, unitEntry, units }) {
    const findings = numberRulesReadiness(rules);
    if (unitEntry === 'listed' && rules.unit !== '' && !units.includes(rules.unit)) {
      findings.push({ code: 'unit-not-listed', weight: 'stops', at: ['units'], values: { unit: rules.unit } });
    }
    return findings;
  },
  describe: ({ rules, unitEntry }) => (unitEntry === 'printed' && rules.unit ? `… ${rules.unit}` : '…'),
  describeResponse: ({ rules, unitEntry }, { number, unit }) =>
    `${number} ${unitEntry === 'printed' ? rules.unit : unit}`.trim(),
  gist: (setup, response) => gistOfNumber(setup.rules, response.number, unitOf(setup, response)),
  put: (setup, put) => ({ ...setup, rules: putInNumber(setup.rules, put) }),
  marked: {
    mark: (setup, response) => markNumber(setup.rules, response.number, unitOf(setup, response)),
    key({ rules, unitEntry }) {
      const value = rules.rules[0]?.value ?? '';
      if (value === '') return null;
      return { number: value, unit: unitEntry === 'printed' ? '' : rules.unit };
    },
    describeKey: keyText,
    fixedKeyPlace: () => null,
    tryouts: (setup) => numberTryouts(setup.rules).map((typed) => fromTyped(setup, typed)),
  },
  typed: {
    name: 'number',
    withKey: (setup, typed) => ({ ...setup, rules: rulesFromKey(typed) }),
    keyText,
    response: fromTyped,
    // Nothing is trimmed: it is what is being typed.
    responseText: (_, { number, unit }) => (unit === '' ? number : `${number} ${unit}`),
  },
  valued: { value: (setup, response) => valueInKeyUnit(setup.rules, response.number, unitOf(setup, response)) },
};
