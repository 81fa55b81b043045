import type { IncomingMessage } from 'node:http';

/** The cookies of a request, by name. */
export function cookiesOf({ headers }: IncomingMessage): { get: (name: string) => { value: string } | undefined } {
  const pairs = (headers.cookie ?? '').split(';').map((pair) => pair.trim().split('='));
  return {
    get: (wanted) => {
      const [, value] = pairs.find(([name]) => name === wanted) ?? [];
      return value === undefined ? undefined : { value };
    },
  };
}
