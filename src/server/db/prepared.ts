import type { Reader } from './database';

/** A query that is put together once for each connection and asked many times. */
export function preparedOn<Q>(make: (read: Reader) => Q): (read: Reader) => Q {
  const made = new WeakMap<Reader, Q>();
  return (read) => {
    const known = made.get(read) ?? make(read);
    made.set(read, known);
    return known;
  };
}
