import type { ShortTextResponse, ShortTextSheet } from '@/core/kinds/short-text/short-text';
import type { ResponseSide } from '../contract';

export const shortTextResponse: ResponseSide<ShortTextSheet, ShortTextResponse> = {
  answered: (response) => (response?.text.trim() ?? '') !== '',
};
