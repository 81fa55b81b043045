import { parseMaths } from './parse';
import { printMaths } from './print';
import type { Reading } from './words';

/** How a typed formula is understood, as LaTeX; and how it might be meant instead, when what follows a slash leaves it open. */
export type Understood = { ok: true; latex: string; orElse?: string } | { ok: false; why: string };

export function understood(typed: string, reading: Reading): Understood {
  const parsed = parseMaths(typed, reading);
  if (!parsed.ok) return parsed;
  const latex = printMaths(parsed.tree);
  if (!parsed.doubts.includes('tight-denominator')) return { ok: true, latex };
  const other = parseMaths(typed, { ...reading, tightDenominators: !reading.tightDenominators });
  return { ok: true, latex, ...(other.ok ? { orElse: printMaths(other.tree) } : {}) };
}
