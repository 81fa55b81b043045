import type { Page } from '@playwright/test';
import type { QuestionBody } from '../../src/core/bank/question';
import { goTo } from '../../tests/drivers/browser';

/** Puts a question into the first bank of whoever is signed in. */
export async function keepQuestion(page: Page, base: string, body: QuestionBody): Promise<void> {
  const made = await page.request.post('/api/bring-in/keep', {
    headers: { Origin: base },
    data: {
      bank: await firstBank(page),
      topic: null,
      items: [{ body, facts: { difficulty: 1, demand: 'know', tags: [] }, topic: [], goals: [] }],
    },
  });
  if (!made.ok()) throw new Error(await made.text());
}

async function firstBank(page: Page): Promise<string> {
  await goTo(page, '/bank/bring-in');
  await page.getByLabel('Or paste the questions').fill('1. Q?\nAnswer: a');
  await page.getByRole('button', { name: 'Find the questions' }).click();
  return ((await page.getByLabel('Bring them into').inputValue()) ?? '').trim();
}
