import type { ChoiceSetup } from '@/core/kinds/choice/choice';
import { lineWords, LIST_SIGN, withLines } from '../../parts/rows';
import { freshPart } from '@/core/rules/placing/placed';

export type Option = ChoiceSetup['options'][number];

export const MOST_OPTIONS = 26;

export const freshOption = (options: readonly Option[], text = ''): Option => ({
  id: freshPart(options, 'o'),
  text,
  key: false,
  feedback: '',
});

/** A bullet or letter before an option, then what marks it as right. */
const SIGN = new RegExp(`${LIST_SIGN.source}(\\[[ xX✓]\\]\\s*|[*✓]\\s*)?`);

/**
 * A pasted list as options, a line each, from a place on. Lines with "*", "✓" or "[x]" before them are marked as right,
 * if only one may be chosen the first of them.
 */
export function withOptionLines(options: readonly Option[], at: number, text: string, several: boolean): Option[] {
  const written: string[] = [];
  const next = withLines(options, at, {
    text,
    most: MOST_OPTIONS,
    write(line, empty, all) {
      const option = empty ?? freshOption(all);
      const ticked = /[*✓xX]/.test(SIGN.exec(line)?.[1] ?? '');
      if (ticked) written.push(option.id);
      return { ...option, text: lineWords(line, SIGN).slice(0, 2000), key: option.key || ticked };
    },
  });
  const [right] = written;
  return several || right === undefined ? next : next.map((o) => ({ ...o, key: o.id === right }));
}
