import type { NamedValue, Variation } from '@/core/bank/variation';
import { marksText } from './marks';

function fromText(from: NamedValue['from']): string {
  switch (from.by) {
    case 'range':
      return `from ${marksText(from.least)} to ${marksText(from.most)} in steps of ${marksText(from.step)}`;
    case 'list':
      return `one of ${from.items.join('; ')}`;
    case 'formula':
      return `= ${from.formula}${from.round ? `, ${from.round.n} ${from.round.to}` : ''}`;
    case 'answer':
      return 'the answer to a slot';
  }
}

/** Values that vary, a line each, with their conditions. */
export function variationText({ values, conditions, each }: Variation): string {
  return [
    ...values.map(({ name, from }) => `${name}: ${fromText(from)}`),
    ...conditions.filter((condition) => condition !== ''),
    each === 'attempt' ? 'each attempt anew' : 'everybody alike',
  ].join('\n');
}
