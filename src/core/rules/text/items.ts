import type { Reading, Token } from './reading';

/** The items of an answer that is a list: its stretches between commas, lines, bullets and "and", those of small words alone left out. */
export function itemsOf({ tokens }: Reading): Token[][] {
  const items = new Map<number, Token[]>();
  for (const token of tokens) {
    const item = items.get(token.segment);
    if (item) item.push(token);
    else items.set(token.segment, [token]);
  }
  return [...items.values()].filter((item) => item.some(({ bare }) => bare.length > 3));
}
