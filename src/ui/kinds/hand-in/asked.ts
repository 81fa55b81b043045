import type { HandInSheet } from '@/core/kinds/hand-in/hand-in';
import { plural } from '../../words/marks';

/** What can be handed in, in one sentence. */
export function askedFor({ takes, most }: HandInSheet): string {
  if (takes === 'pages') return `Up to ${plural(most, 'page')}, photographed or as PDF.`;
  if (takes === 'documents') return `Up to ${plural(most, 'document')}: PDF, text, tables or slides.`;
  return `Up to ${plural(most, 'file')} of any kind.`;
}
