/** An answer that is kept on a device and that the server does not have yet. */
export interface Unsent {
  /** The tab that wrote it. */
  device: string;
  /** Number on its device, counting up. */
  seq: number;
  item: string;
  /** A slot of the question, or null for what concerns the question as a whole. */
  slot: string | null;
  value: unknown;
  /** When it was written, in milliseconds on the device's own clock. */
  at: number;
}

/** The most that one batch of answers may weigh, in bytes of JSON. The longest answer with all its form stays below it. */
export const MOST_BATCH_BYTES = 1_000_000;
const MOST_ENTRIES = 200;
/** Room for what stands around the answers of a batch and around each of them. */
const AROUND = 200;

/** The name of the place that an answer is for. */
export function placeOf({ item, slot }: Pick<Unsent, 'item' | 'slot'>): string {
  return `${item}/${slot ?? ''}`;
}

/**
 * What has to travel: of each place and device only the last change, since a change is the whole answer. In the order of
 * writing.
 */
export function lastOfEach(kept: readonly Unsent[]): Unsent[] {
  const last = new Map<string, Unsent>();
  for (const one of kept) {
    const place = `${one.device}/${placeOf(one)}`;
    const other = last.get(place);
    if (!other || other.seq < one.seq) last.set(place, one);
  }
  return [...last.values()].sort((a, b) => a.at - b.at || a.seq - b.seq);
}

/** Answers that may travel now: all but those that name a file which is still on its way itself. Files by their hashes. */
export function readyToTravel(kept: readonly Unsent[], filesOnTheirWay: readonly string[]): Unsent[] {
  if (filesOnTheirWay.length === 0) return [...kept];
  return kept.filter(({ value }) => {
    const written = JSON.stringify(value) ?? '';
    return !filesOnTheirWay.some((hash) => written.includes(hash));
  });
}

/**
 * Answers as the batches in which they travel: those of one device together, in the order of writing, none heavier than
 * the server takes. An answer that is too heavy by itself travels alone, so that it holds up no other.
 */
export function batchesOf(kept: readonly Unsent[]): Unsent[][] {
  const batches: Unsent[][] = [];
  for (const device of new Set(kept.map((one) => one.device))) {
    let weight = Number.POSITIVE_INFINITY;
    for (const one of kept.filter((k) => k.device === device)) {
      const own = bytesOf(one) + AROUND;
      if (weight + own > MOST_BATCH_BYTES || (batches.at(-1)?.length ?? 0) >= MOST_ENTRIES) {
        batches.push([]);
        weight = AROUND;
      }
      batches.at(-1)?.push(one);
      weight += own;
    }
  }
  return batches;
}

function bytesOf({ value }: Unsent): number {
  return new TextEncoder().encode(JSON.stringify(value) ?? '').length;
}
