import type { KindName } from '@/core/kinds/registry';
import type { ResponseSide } from './contract';
import { choiceResponse } from './choice/response';
import { longAnswerResponse } from './long-answer/response';
import { mathsResponse } from './maths/response';
import { numberResponse } from './number/response';
import { placesResponse } from './places/response';
import { shortTextResponse } from './short-text/response';

const responses = {
  choice: choiceResponse,
  longAnswer: longAnswerResponse,
  maths: mathsResponse,
  number: numberResponse,
  places: placesResponse,
  shortText: shortTextResponse,
} satisfies Record<KindName, unknown>;

/** What a page may ask of a response without drawing its slot, on the server as in the browser. */
export function responseSide(kind: KindName): ResponseSide<unknown, unknown> {
  return responses[kind] as unknown as ResponseSide<unknown, unknown>;
}
