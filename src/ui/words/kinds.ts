import type { KindName } from '@/core/kinds/registry';

interface KindWords {
  name: string;
  /** Shown in a small frame in lists. */
  sign: string;
}

export const KIND_WORDS = {
  choice: { name: 'choice', sign: '◉' },
  shortText: { name: 'short text', sign: 'ab' },
  number: { name: 'number', sign: '1.2' },
  places: { name: 'formula with places', sign: '▢/▢' },
  longAnswer: { name: 'long answer', sign: '¶' },
  maths: { name: 'mathematics', sign: 'f(x)' },
} satisfies Record<KindName, KindWords>;

/** "choice, number" from the names as the bank stores them. */
export function kindsText(kinds: string): string {
  const names = kinds.split(' ').filter((k) => k in KIND_WORDS) as KindName[];
  return names.map((k) => KIND_WORDS[k].name).join(', ') || 'no answer slot';
}
