import type { GradeStep } from '../results/policy';

/** Scales to begin from; a book's own may differ in every step. Where they begin is a beginning, not a standard (no source). */
export const SCALES: Readonly<Record<'letters' | 'six' | 'merit' | 'pass', readonly GradeStep[]>> = {
  letters: [
    { from: '0', grade: 'F' },
    { from: '50', grade: 'D' },
    { from: '60', grade: 'C' },
    { from: '70', grade: 'B' },
    { from: '85', grade: 'A' },
  ],
  six: [
    { from: '0', grade: '6' },
    { from: '25', grade: '5' },
    { from: '50', grade: '4' },
    { from: '65', grade: '3' },
    { from: '80', grade: '2' },
    { from: '92', grade: '1' },
  ],
  merit: [
    { from: '0', grade: 'not passed' },
    { from: '50', grade: 'passed' },
    { from: '65', grade: 'merit' },
    { from: '80', grade: 'distinction' },
  ],
  pass: [
    { from: '0', grade: 'not passed' },
    { from: '50', grade: 'passed' },
  ],
};
export type ScaleName = keyof typeof SCALES;
