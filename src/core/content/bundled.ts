import type { SlotPicture } from './document';

const INK = '#1C2E4A';

/** A bicycle from the side, drawn for the examples of what can be asked. */
const bicycle = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 600 360" width="600" height="360"><rect width="600" height="360" fill="#fff"/><g stroke="${INK}" stroke-width="6" fill="none" stroke-linejoin="round" stroke-linecap="round"><circle cx="150" cy="240" r="95"/><circle cx="450" cy="240" r="95"/><path d="M150 240 L230 120 L405 120 L280 240 Z M280 240 L215 90 M450 240 L398 80"/><path d="M185 88 H245" stroke-width="12"/><path d="M398 80 L428 62 Q446 56 450 72"/><circle cx="280" cy="240" r="26" fill="#DDE4EA"/><circle cx="150" cy="240" r="12" fill="#DDE4EA"/><path d="M280 240 L312 282 M298 284 H328"/><path d="M150 228 L280 214 M150 252 L280 266" stroke-width="3"/></g></svg>`;

export const BICYCLE: SlotPicture = {
  media: '0e7bafb895ca200d0e27ec6b3ff8d03fff386abe6dcca9427dc40f033a485926',
  ratio: 600 / 360,
  description: 'A bicycle, seen from the right',
};

/** Pictures that come with the application, by their hashes; they are read like those of the department. */
export const BUNDLED: ReadonlyMap<string, { mime: string; content: string }> = new Map([
  [BICYCLE.media, { mime: 'image/svg+xml', content: bicycle }],
]);

/** Numbers as a made voice says them (`scripts/voices.ts`), for the example of what can be said: by their words, the hashes of their WAV files. */
export const SPOKEN_NUMBERS: Readonly<Record<string, string>> = {
  seven: 'a0bb16dea9fa8185df84f3a6bff21390d38b5622dbe42b06d9b65c0613d706a6',
  eleven: 'cf5e43e551a73c54df108700f625c886868e5444d18bd578748b9ebf85dd7977',
  six: '917b0e0dabb7448c3a23ccd5c2ab637fa3fef20e43778960d3fdb24604727395',
};
