import { placeName } from '@/core/content/board';

/** How a place is said: its number, and what it points at where the teacher described that. */
export const spoken = (at: number, description: string): string =>
  description === '' ? placeName(at) : `${placeName(at)}, ${description}`;
