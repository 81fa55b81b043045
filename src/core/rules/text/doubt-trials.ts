import { type Doubts, DOUBTS_NONE } from './doubts';
import { markText, type TextRules } from './rules';

/** The signs of doubt that are switched, one by one. */
export type DoubtName = Exclude<keyof Doubts, 'opposites'>;

/** How many of these answers a sign of doubt alone would hand to a person, switched on. */
export function handedBy(rules: TextRules, name: DoubtName, texts: readonly string[]): number {
  const alone: Doubts = {
    ...DOUBTS_NONE,
    opposites: rules.doubts.opposites,
    ...(name === 'negation' ? { negation: 'waits' as const } : { [name]: true }),
  };
  const waits = (doubts: Doubts): ((text: string) => boolean) => {
    const set: TextRules = { ...rules, doubts, otherwise: 'zero' };
    return (text) => markText(set, text).state === 'waits';
  };
  const [before, after] = [waits(DOUBTS_NONE), waits(alone)];
  return texts.filter((text) => after(text) && !before(text)).length;
}
