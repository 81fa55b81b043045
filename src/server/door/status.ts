import type { Result } from '@/core/base/result';

const STATUS: Record<string, number> = {
  forbidden: 403,
  'not-found': 404,
  'not-signed-in': 401,
  'picture-too-large': 413,
  'too-much-at-once': 429,
};

/** The status under which a result travels by HTTP. */
export const statusOf = (result: Result<unknown>): number => (result.ok ? 200 : (STATUS[result.refusal.code] ?? 422));
