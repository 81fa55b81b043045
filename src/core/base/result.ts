/**
 * An expected ending of a use-case or a core decision. What can happen in
 * ordinary use is a `Refusal` (a coded record, worded in the interface);
 * a throw means a defect.
 */
export type Result<T> = { ok: true; value: T } | { ok: false; refusal: Refusal };

/** Why something was not done. `at` points to the place in the input, for a message beside it. */
export interface Refusal {
  code: string;
  at?: readonly (string | number)[];
  values?: Readonly<Record<string, string | number>>;
}

export function ok(): Result<null>;
export function ok<T>(value: T): Result<T>;
export function ok<T>(value?: T): Result<T | null> {
  return { ok: true, value: value ?? null };
}

export function refuse(
  code: string,
  details: { at?: Refusal['at']; values?: Refusal['values'] } = {},
): { ok: false; refusal: Refusal } {
  return { ok: false, refusal: { code, ...details } };
}

/** The value of a result that cannot be a refusal here; throws (a defect) when it is one. */
export function must<T>(result: Result<T>): T {
  if (!result.ok) {
    throw new Error(
      `Expected success, found refusal "${result.refusal.code}" at ${JSON.stringify(result.refusal.at ?? [])}`,
    );
  }
  return result.value;
}
