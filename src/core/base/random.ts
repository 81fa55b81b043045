/** A reproducible source of numbers in [0, 1), from a 32-bit seed (mulberry32, public domain, from memory). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A seed of its own for every named thing under one seed (FNV-1a over the name). */
export function seedFor(seed: number, name: string): number {
  let hash = (2166136261 ^ seed) >>> 0;
  for (let i = 0; i < name.length; i++) {
    hash = Math.imul(hash ^ name.charCodeAt(i), 16777619) >>> 0;
  }
  return hash;
}

/** The same elements in an order decided by the seed (Fisher–Yates); the input is left alone. */
export function shuffled<T>(items: readonly T[], seed: number): T[] {
  const next = seeded(seed);
  const result = [...items];
  for (let i = result.length - 1; i > 0; i--) {
    const j = Math.floor(next() * (i + 1));
    [result[i], result[j]] = [result[j] as T, result[i] as T];
  }
  return result;
}
