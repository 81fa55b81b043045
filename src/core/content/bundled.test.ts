import { createHash } from 'node:crypto';
import { expect, it } from 'vitest';
import { BUNDLED } from './bundled';

it('bundled pictures are known by the hashes of what they are', () => {
  for (const [hash, { content }] of BUNDLED) expect(createHash('sha256').update(content).digest('hex')).toBe(hash);
});
