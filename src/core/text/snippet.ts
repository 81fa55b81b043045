/**
 * The place of a text where the first of some beginnings of words stands, with
 * a few words around it, and every hit between two `sign`s; empty when none
 * stands there. Capitals and accents are looked past.
 */
export function snippetOf(text: string, beginnings: readonly string[], sign: string, around = 60): string {
  const plain = folded(text);
  const wanted = beginnings.map(folded).filter((word) => word !== '');
  if (wanted.length === 0) return '';
  const pattern = new RegExp(`(?<![\\p{L}\\p{N}])(?:${wanted.join('|')})`, 'gu');
  const first = pattern.exec(plain);
  if (!first) return '';
  const from = first.index <= around ? 0 : Math.max(0, plain.lastIndexOf(' ', first.index - around / 2) + 1);
  const end = plain.indexOf(' ', from + 2 * around);
  const to = end < 0 ? plain.length : end;
  const shown = text.slice(from, to);
  const marked = folded(shown).replace(
    pattern,
    (hit: string, at: number) => sign + shown.slice(at, at + hit.length) + sign,
  );
  // Folding keeps lengths, so what was not hit can be taken from the text as it is written.
  let out = '';
  let at = 0;
  for (const [i, part] of marked.split(sign).entries()) {
    out += (i % 2 === 1 ? sign : '') + shown.slice(at, at + part.length) + (i % 2 === 1 ? sign : '');
    at += part.length;
  }
  return `${from > 0 ? '…' : ''}${out}${to < plain.length ? '…' : ''}`;
}

/** Small letters without accents, every letter still one. */
function folded(text: string): string {
  return [...text]
    .map((letter) => {
      const [base = letter] = letter.normalize('NFD');
      const small = base.toLowerCase();
      return small.length === letter.length ? small : letter;
    })
    .join('');
}
