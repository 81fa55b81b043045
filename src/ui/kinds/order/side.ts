import type { OrderResponse, OrderSheet } from '@/core/kinds/order/order';
import type { KindSide } from '../contract';
import { words } from './words';

export const orderSide: KindSide<OrderSheet, OrderResponse> = {
  words,
  answered: (response) => (response?.order.length ?? 0) > 0,
};
