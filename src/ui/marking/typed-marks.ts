import { exact, max, min, stored, ZERO } from '@/core/base/exact';
import { readNumber } from '@/core/rules/number/read';
import { marksText } from '../words/marks';

/** Marks with half a mark more, or without the half that they have. */
export function withHalf(typed: string): string {
  if (typed.endsWith('½')) return typed.slice(0, -1) || '0';
  return /^\d*$/.test(typed.trim()) ? `${typed.trim() === '0' ? '' : typed.trim()}½` : typed;
}

/** Marks after something was said that adds or takes some: from nothing upwards, from full marks downwards, and never beyond either. */
export function withChange(typed: string, change: string, of: string): string | null {
  const by = readNumber(change.trim().replace(/^\+/, '').replace('−', '-'))?.value;
  if (!by) return null;
  const now = typed.trim() === '' ? (by.compare(0) < 0 ? exact(of) : ZERO) : readNumber(typed)?.value;
  return now ? marksText(stored(min(exact(of), max(ZERO, now.add(by))))) : null;
}
