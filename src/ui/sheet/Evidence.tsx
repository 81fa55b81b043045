/** Plain text in which the words that rules found are marked. */
export function Evidence({ text, words }: { text: string; words: readonly string[] }) {
  const wanted = [...new Set(words)].filter((word) => word.trim() !== '').sort((a, b) => b.length - a.length);
  if (wanted.length === 0) return text;
  const pattern = new RegExp(
    `(${wanted.map((word) => word.replace(/[\\^$.*+?()[\]{}|/-]/g, '\\$&')).join('|')})`,
    'giu',
  );
  return text.split(pattern).map((part, i) => (i % 2 === 1 ? <mark key={`${i} ${part}`}>{part}</mark> : part));
}
