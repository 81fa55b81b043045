import { SURE_ENOUGH, type Understood } from '@/core/speech/understood';

/** How sure a machine is of what it understood, in words. */
export function understoodText({ words, sure }: Understood): string {
  if (words === '') return 'Not understood.';
  if (sure >= SURE_ENOUGH.very) return 'surely';
  if (sure >= SURE_ENOUGH.quite) return 'quite surely';
  return sure >= SURE_ENOUGH.fairly ? 'not quite surely' : 'doubtfully';
}
