/** What readiness notices: a coded fact with the place it concerns. Worded in `ui/words`. */
export interface Finding {
  code: string;
  /** `stops`: it must be mended before students see it. `warns`: worth a look. */
  weight: 'stops' | 'warns';
  /** Path to the place: a slot id, a field, a section. */
  at: readonly (string | number)[];
  values?: Readonly<Record<string, string | number>>;
}

export function stops(code: string, at: Finding['at'], values?: Finding['values']): Finding {
  return { code, weight: 'stops', at, ...(values ? { values } : {}) };
}

export function warns(code: string, at: Finding['at'], values?: Finding['values']): Finding {
  return { code, weight: 'warns', at, ...(values ? { values } : {}) };
}

export const isStop = ({ weight }: Finding): boolean => weight === 'stops';

/** The same findings, seen from one step further out. */
export function under(step: string | number, findings: readonly Finding[]): Finding[] {
  return findings.map((finding) => ({ ...finding, at: [step, ...finding.at] }));
}
