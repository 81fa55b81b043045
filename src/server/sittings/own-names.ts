import { createHmac } from 'node:crypto';
import type { OwnNames } from '@/core/bank/own-names';

/** Letters of a name: 16 of them are taken for each, so that twelve say 48 bits. */
const LENGTH = 12;

/**
 * The names of one attempt for the parts of a question: HMAC-SHA-256 (RFC 2104)
 * under the attempt's secret, so that only the server can go back from them.
 */
export function ownNames(secret: string, item: string): OwnNames {
  return (slot, part) =>
    createHmac('sha256', secret)
      .update(JSON.stringify([item, slot, part]))
      .digest('hex')
      .slice(0, LENGTH);
}
