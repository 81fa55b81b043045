/** One row of a fixture, run through the core. */
export interface Row {
  name: string;
  expected: string;
  got: string;
}

export function agrees(row: Row): boolean {
  return row.expected === row.got;
}

/** Numbers as text that agree when they are equal within 1e-9 of the larger (the fixtures' stated tolerance). */
export function within(expected: number, got: number): string {
  const scale = Math.max(1e-300, Math.abs(expected), Math.abs(got));
  return Math.abs(expected - got) <= 1e-9 * scale ? String(expected) : String(got);
}
