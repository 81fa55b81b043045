import type { Result } from '@/core/base/result';
import { statusOf } from '@/server/door/status';

/** A result as a JSON response; a refusal travels as its code, never with anything from the database. */
export function respond<T>(result: Result<T>): Response {
  return Response.json(result, { status: statusOf(result), headers: { 'Cache-Control': 'no-store' } });
}
