import { z } from 'zod';
import { mediaHash } from './document';

/** A picture or a sound in the place of words. */
export const shownMedia = z.object({
  hash: mediaHash,
  medium: z.enum(['picture', 'sound']),
  /** Width over height of a picture; 1 for a sound. */
  ratio: z.number().positive().max(100),
});
export type ShownMedia = z.infer<typeof shownMedia>;

/** What is chosen or placed, or what something is placed at: words, a picture or a sound. */
export interface Shown {
  id: string;
  /** Plain text in which $…$ is a formula; of a picture or a sound what it is, in words. */
  text: string;
  media?: ShownMedia | undefined;
}

/**
 * As students get it. The words of a picture are for those who cannot see it;
 * those of a sound would say what one is to hear, and stay with the staff.
 */
export function shownOnSheet({ id, text, media }: Shown): Shown {
  if (!media) return { id, text };
  return { id, text: media.medium === 'sound' ? '' : text, media };
}

/** Under names of its own. */
export const renamedShown = (shown: Shown, names: ReadonlyMap<string, string>): Shown => ({
  ...shown,
  id: names.get(shown.id) ?? shown.id,
});

/** The pictures and sounds among them, by their hashes. */
export const mediaShown = (all: readonly Shown[]): string[] => all.flatMap(({ media }) => (media ? [media.hash] : []));
