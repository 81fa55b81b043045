import { NOTHING_UNDERSTOOD, type Understood } from '@/core/speech/understood';

type Sample = { words: string; sound: string };

/** What a recording of this page says, out of samples among the media: as the server would hear it. */
export async function hearInBrowser(recording: Blob, samples: readonly Sample[]): Promise<Understood> {
  const known = await Promise.all(
    samples.map(async ({ words, sound }) => {
      const response = await fetch(`/media/${sound}`).catch(() => null);
      return { words, sound: new Uint8Array(response?.ok ? await response.arrayBuffer() : []) };
    }),
  );
  const bytes = new Uint8Array(await recording.arrayBuffer());
  const worker = new Worker(new URL('./hear.worker.ts', import.meta.url), { type: 'module' });
  try {
    return await new Promise<Understood>((done) => {
      worker.addEventListener('message', ({ data }: MessageEvent<Understood>) => done(data), { once: true });
      worker.addEventListener('error', () => done(NOTHING_UNDERSTOOD), { once: true });
      worker.postMessage([bytes, known]);
    });
  } finally {
    worker.terminate();
  }
}
