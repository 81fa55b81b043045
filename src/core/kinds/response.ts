import { readStored } from '../base/stored-form';
import type { Put } from '../content/put';
import type { AnyKind } from './registry';

/**
 * A response as it was stored or sent, in the present form of its kind; null when nothing was answered or it cannot be
 * read. What says no version is of the first.
 */
export function readResponse(kind: AnyKind, raw: unknown): { response: unknown } | null {
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw)) return null;
  try {
    return { response: readStored(kind.response, { version: 1, ...raw }) };
  } catch {
    return null;
  }
}

/** A stored response in plain words; null when it cannot be read. */
export function responseWords(kind: AnyKind, setup: unknown, raw: unknown): string | null {
  const read = readResponse(kind, raw);
  return read && kind.describeResponse(setup, read.response);
}

/** A response as it is stored: with the version of its form. */
export function storedResponse(kind: AnyKind, response: unknown): unknown {
  return { version: kind.response.version, ...Object(response) };
}

/** A response with named values put into whatever was written in it. */
export function putInResponse(response: unknown, put: Put): unknown {
  if (typeof response === 'string') return put(response, 'formula');
  if (Array.isArray(response)) return response.map((part) => putInResponse(part, put));
  if (typeof response !== 'object' || response === null) return response;
  return Object.fromEntries(Object.entries(response).map(([name, part]) => [name, putInResponse(part, put)]));
}
