import type { Rubric } from '@/core/rules/rubric/rubric';

/** The sorts of rubric, as teachers call them. */
export const LOOKS: Record<Rubric['look'], string> = {
  grid: 'criteria and levels',
  single: 'one column',
  whole: 'whole impression',
};
