import type { ChoiceResponse, ChoiceSheet } from '@/core/kinds/choice/choice';
import { choiceSide } from '../choice/side';
import type { KindSide } from '../contract';
import { words } from './words';

export const menuSide: KindSide<ChoiceSheet, ChoiceResponse> = { ...choiceSide, words };
