import { seeded, seedFor } from '@/core/base/random';
import { plainText } from '@/core/content/plain';
import type { PaperQuestion } from '@/core/exams/paper';
import { kindOf } from '@/core/kinds/registry';
import { keyedSlots } from '@/core/bank/variant';
import type { DemoQuestion } from './write';

/** How able a student is, roughly normal around 0; the same for the same user name. */
export function abilityOf(userName: string): number {
  const next = seeded(seedFor(201, userName));
  return (next() + next() + next() + next() - 2) * 1.7;
}

export interface MadeAnswer {
  item: string;
  slot: string;
  value: unknown;
}

/**
 * Answers of one student to one question: right with a chance that follows
 * ability against difficulty (logistic), else one of the typical slips; now and then empty. Every load of the demo has the same
 * students: what they answer follows from the words of a question, never from its id.
 */
export function makeAnswers(
  userName: string,
  item: PaperQuestion,
  source: DemoQuestion,
  subject: string,
): MadeAnswer[] {
  const next = seeded(seedFor(7, userName + plainText(source.body.content)));
  const more = source.favours === undefined ? 0.25 : source.favours === subject ? 1.6 : -1.2;
  const chance = 1 / (1 + Math.exp(-(1.2 * abilityOf(userName) - 0.9 * (source.difficulty - 2) + more)));
  return [...keyedSlots(item.question)].flatMap(([id, slot]) => {
    const kind = kindOf(slot.kind);
    const roll = next();
    const pick = next();
    if (roll > 0.97) return [];
    const slips = source.slips[id] ?? [];
    const slip = slips[Math.floor(pick * slips.length)];
    // Where no slips were written down, those that the kind itself knows.
    const [, ...tried] = kind.marked?.tryouts(slot.setup) ?? [];
    const wrong = slip === undefined ? tried[Math.floor(pick * tried.length)] : kind.typed?.response(slot.setup, slip);
    const able = source.able?.[id];
    const known = able === undefined ? kind.marked?.key(slot.setup) : kind.typed?.response(slot.setup, able);
    const value = roll < chance || wrong === undefined ? known : wrong;
    return value === undefined || value === null ? [] : [{ item: item.id, slot: id, value }];
  });
}
