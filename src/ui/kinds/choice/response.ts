import type { ChoiceResponse, ChoiceSheet } from '@/core/kinds/choice/choice';
import type { ResponseSide } from '../contract';

export const choiceResponse: ResponseSide<ChoiceSheet, ChoiceResponse> = {
  answered: (response) => (response?.chosen.length ?? 0) > 0,
};
