import type { Result } from '@/core/base/result';

const STATUS: Record<string, number> = {
  forbidden: 403,
  'not-found': 404,
  'not-signed-in': 401,
  'picture-too-large': 413,
  'too-much-at-once': 429,
};

/** A result as a JSON response; a refusal travels as its code, never with anything from the database. */
export function respond<T>(result: Result<T>): Response {
  return Response.json(result, {
    status: result.ok ? 200 : (STATUS[result.refusal.code] ?? 422),
    headers: { 'Cache-Control': 'no-store' },
  });
}
