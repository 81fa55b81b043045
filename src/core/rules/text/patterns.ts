import { RE2JS } from 're2js';

const known = new Map<string, RE2JS | null>();

/** The pattern, matched in linear time (RE2); null when it is none. */
export function compiledPattern(pattern: string, anyCapitals = false): RE2JS | null {
  const key = `${anyCapitals ? 'i' : '-'}${pattern}`;
  let compiled = known.get(key);
  if (compiled === undefined) {
    if (known.size >= 500) known.clear();
    compiled = compile(pattern, anyCapitals);
    known.set(key, compiled);
  }
  return compiled;
}

function compile(pattern: string, anyCapitals: boolean): RE2JS | null {
  try {
    return pattern === '' ? null : RE2JS.compile(pattern, anyCapitals ? RE2JS.CASE_INSENSITIVE : 0);
  } catch {
    return null;
  }
}
