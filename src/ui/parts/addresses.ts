/** A stretch of a text; `address` is where it leads, null for plain words. */
export interface Stretch {
  text: string;
  address: string | null;
}

/** Splits a text at the addresses of the web in it. A sign that ends a sentence is none of the address. */
export function addressesIn(text: string): Stretch[] {
  return text
    .split(/(https?:\/\/[^\s<>"]*[^\s<>".,;:!?)\]])/)
    .map((part, i) => ({ text: part, address: i % 2 === 1 && URL.canParse(part) ? part : null }))
    .filter(({ text: part }) => part !== '');
}
