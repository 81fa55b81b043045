import type { KeptRemark } from '@/server/marking/remarks';
import { marksText } from '../words/marks';

const MOST_OFFERED = 8;

/** The kept remarks in which every word typed begins a word, in the order in which they were used. */
export function offered(kept: readonly KeptRemark[], typed: string): KeptRemark[] {
  const wanted = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = ({ words }: KeptRemark): boolean => {
    const parts = words.toLowerCase().split(/[^\p{L}\p{N}]+/u);
    return wanted.every((start) => parts.some((part) => part.startsWith(start)));
  };
  return kept.filter(fits).slice(0, MOST_OFFERED);
}

/** "+1", "−½": the marks that go with a remark. */
export const changeText = (marks: string): string =>
  marks.startsWith('-') ? `−${marksText(marks.slice(1))}` : `+${marksText(marks)}`;
