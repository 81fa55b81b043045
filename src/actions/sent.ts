/** A text that a page sends as an argument; empty where somebody's program sends something else. */
export const text = (sent: unknown): string => (typeof sent === 'string' ? sent : '');

/** A number that a page sends; 0 where something else comes. */
export const number = (sent: unknown): number => (typeof sent === 'number' && Number.isFinite(sent) ? sent : 0);

/** Texts that a page sends; none where something else comes. */
export const texts = (sent: unknown): string[] => (Array.isArray(sent) ? sent.map(text).filter(Boolean) : []);
