/** Signs of currencies that people write before the amount. */
const MONEY = /^(-?)\s*([€$£¥])\s*(?=[\d.,])/;
/** "5.2 ± 0.1", "5.2 +/- 0.1", "5.2 +- 0.1"; in brackets when the unit stands behind both. */
const UNCERTAIN = /^\(?\s*([^±()]*?)\s*(?:±|\+\s?\/?\s?[-−])\s*([^()]*?)\s*\)?\s*([^()\d]*)$/;

export interface SplitAnswer {
  number: string;
  /** What was said about how sure the number is, without its unit; null when nothing was. */
  uncertainty: string | null;
}

/** An answer as a number with its unit behind it, and the uncertainty apart. */
export function splitAnswer(typed: string): SplitAnswer {
  const money = MONEY.exec(typed.trim());
  const text = money ? `${money[1]}${typed.trim().slice(money[0].length)} ${money[2]}` : typed;
  const parts = UNCERTAIN.exec(text.trim());
  if (!parts) return { number: text, uncertainty: null };
  const [, value = '', spread = '', behind = ''] = parts;
  const inside = /^[\d.,\s]+(?:[eE][+-]?\d+)?/.exec(spread)?.[0] ?? '';
  if (inside.trim() === '') return { number: text, uncertainty: null };
  const unit = /[\d.,]$/.test(value) ? ` ${spread.slice(inside.length)} ${behind}`.trimEnd() : '';
  return { number: `${value}${unit}`.replace(/\s+/g, ' '), uncertainty: inside.trim() };
}
