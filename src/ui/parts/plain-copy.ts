/**
 * A value that can travel to a server action: an object that stands in it
 * twice would arrive only once, so every part is copied by itself.
 */
export function plainCopy<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T;
}
