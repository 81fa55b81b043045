import { checkQuestion } from '@/core/bank/checks';
import type { QuestionBody } from '@/core/bank/question';

/** Checks a question off the main thread: gets `{ turn, body }`, answers `{ turn, checks }`. */
addEventListener('message', ({ data }: MessageEvent<{ turn: number; body: QuestionBody }>) => {
  postMessage({ turn: data.turn, checks: checkQuestion(data.body) });
});
