/** Text with the beginnings of words that fit the search marked. */
export function Highlighted({ text, words }: { text: string; words: string }) {
  const terms = words.match(/[\p{L}\p{N}]+/gu);
  if (!terms) return text;
  const pattern = new RegExp(`(?<![\\p{L}\\p{N}])(${terms.join('|')})`, 'giu');
  return text.split(pattern).map((part, i) => (i % 2 === 1 ? <mark key={`${i} ${part}`}>{part}</mark> : part));
}
