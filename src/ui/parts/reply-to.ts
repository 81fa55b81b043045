import { unstable_rethrow } from 'next/navigation';
import { type Result, refuse } from '@/core/base/result';

/**
 * What the server says to what it is asked; that it does not answer is a refusal like others. Whoever was signed out
 * meanwhile is sent to the door.
 */
export async function replyTo<T>(answer: Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await answer;
  } catch (error) {
    unstable_rethrow(error);
    return refuse('not-reached');
  }
}

/** Whether the server did not answer: nobody knows what became of what it was asked. */
export const notReached = (result: Result<unknown>): boolean => !result.ok && result.refusal.code === 'not-reached';
