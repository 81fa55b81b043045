/** Words of an answer between quotation marks. */
export const quoted = (words: readonly string[]): string => words.map((word) => `“${word}”`).join(', ');
