import type { Migration } from '../../base/stored-form';
import { DOUBTS_NONE } from './doubts';

interface GroupOf1 {
  need: 'any' | 'all' | 'none' | number;
  words: string[];
  share: string;
  ordered?: boolean;
  within?: number;
}

type Stored = Record<string, unknown>;

/** A group of words as a point: any of them, or so many that belong together. */
function pointFrom({ need, words, share, ordered, within }: GroupOf1, index: number): Stored {
  const together = {
    parts: words.map((word) => [word]),
    ...(need === 'all' ? {} : { least: need }),
    where: 'answer',
    ...(ordered ? { ordered } : {}),
    ...(within === undefined ? {} : { within }),
  };
  return { id: `p${index + 1}`, share, accept: need === 'any' ? words : [together] };
}

function ruleFrom(rule: Stored): Stored {
  if (rule.when !== 'keywords') return rule;
  const groups = rule.groups as GroupOf1[];
  const earning = groups.filter(({ need }) => need !== 'none');
  const refuse = groups.filter(({ need }) => need === 'none').flatMap(({ words }) => words);
  return { when: 'points', sets: [{ points: earning.map(pointFrom) }], refuse, feedback: rule.feedback };
}

/** Before they were kept, nothing was doubted. */
function doubtsFrom(doubts: Stored | undefined): Stored {
  if (!doubts) return { ...DOUBTS_NONE };
  const { negation, longWithoutHit, opposites, hedges, heap, order = false } = doubts;
  return {
    negation,
    unread: longWithoutHit,
    contradiction: opposites,
    alternatives: hedges,
    stuffing: heap,
    language: false,
    order,
  };
}

/** Version 2 of every setup that holds text rules: groups of keywords became points of a scheme. */
export const KEYWORDS_BECOME_POINTS: Migration = {
  name: 'KeywordsBecomePoints',
  to: 2,
  up(old) {
    const rules = old.rules as Stored & { rules: Stored[] };
    const doubts = doubtsFrom(rules.doubts as Stored | undefined);
    return { ...old, rules: { ...rules, rules: rules.rules.map(ruleFrom), doubts } };
  },
};
