/** What may be wrong with a photographed page; a hint for whoever took it, never a reason to refuse. */
export type Flaw = 'dark' | 'blurred';

/** Below this mean brightness (0 to 255) a page is dark; below this variance of edges it is blurred (common practice, no source; for pictures about 256 pixels wide). */
const DARK = 70;
const BLURRED = 45;

/**
 * Looks a small grey picture over: brightness 0 to 255, row by row. Sharpness is
 * the variance of the discrete Laplacian (Pech-Pacheco et al., Diatom
 * autofocusing in brightfield microscopy, ICPR 2000), brightness the mean.
 */
export function flawsOf(grey: ArrayLike<number>, width: number, height: number): Flaw[] {
  const at = (x: number, y: number): number => grey[y * width + x] ?? 0;
  let [sum, edges, squares, count] = [0, 0, 0, 0];
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) sum += at(x, y);
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const edge = at(x - 1, y) + at(x + 1, y) + at(x, y - 1) + at(x, y + 1) - 4 * at(x, y);
      edges += edge;
      squares += edge * edge;
      count++;
    }
  }
  const variance = count === 0 ? 0 : squares / count - (edges / count) ** 2;
  const mean = width * height === 0 ? 0 : sum / (width * height);
  return [...(mean < DARK ? (['dark'] as const) : []), ...(variance < BLURRED ? (['blurred'] as const) : [])];
}
