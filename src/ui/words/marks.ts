const GLYPHS: Record<string, string> = {
  '1/2': '½',
  '1/3': '⅓',
  '2/3': '⅔',
  '1/4': '¼',
  '3/4': '¾',
  '1/6': '⅙',
  '5/6': '⅚',
  '1/8': '⅛',
  '3/8': '⅜',
  '5/8': '⅝',
  '7/8': '⅞',
};

/** Exact marks ("3/2", "2", "5/7") for reading: 1½, 2, 0.71. Needs no arithmetic library, so that student pages stay light. */
export function marksText(exact: string): string {
  const [over = '0', under] = exact.split('/');
  if (under === undefined) return over;
  const top = Math.abs(Number(over));
  const whole = Math.floor(top / Number(under));
  const glyph = GLYPHS[`${top - whole * Number(under)}/${under}`];
  const sign = over.startsWith('-') ? '−' : '';
  if (glyph) return `${sign}${whole === 0 ? '' : whole}${glyph}`;
  return `${sign}${(top / Number(under)).toFixed(2)}`;
}

/** "1 mark", "2½ marks". */
export function marksWords(exact: string): string {
  return `${marksText(exact)} ${exact === '1' ? 'mark' : 'marks'}`;
}

export function plural(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}

/** "a", "a and b", "a, b and c". */
export function listed(words: readonly string[]): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}
