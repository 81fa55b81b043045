import { hearFiles } from '@/core/speech/hear';

/** Listens to one recording, away from the page. */
addEventListener('message', ({ data }: MessageEvent<Parameters<typeof hearFiles>>) => {
  postMessage(hearFiles(...data));
});
