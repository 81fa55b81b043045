'use server';
import { ok, type Result } from '@/core/base/result';
import type { Difference } from '@/core/rules/rubric/differences';
import { staffContext } from '@/server/auth/request';
import { type AlikeAnswers, alikeAnswers } from '@/server/marking/alike';
import { type DeskAnswer, readAnswers } from '@/server/marking/desk';
import { type FigureAt, figuresOverTime } from '@/server/marking/figures';
import { type GivenMark, giveAlike, giveMark } from '@/server/marking/give-mark';
import {
  addRemark,
  changeRemark,
  dropKeptRemark,
  type KeptRemark,
  type Remark,
  takeBackRemark,
} from '@/server/marking/remarks';
import { ownJudgements } from '@/server/marking/own-judgements';
import { saveMarkingPlan } from '@/server/marking/plan';
import { giveSecondMark } from '@/server/marking/second-mark';
import { takeAnswers } from '@/server/marking/share';
import { setUnsure } from '@/server/marking/unsure';
import type { DrawnFormulas } from '@/ui/sheet/formulas';
import { drawAnswers } from '@/ui/sheet/formulas-of-answers';

export async function giveMarkAction(input: unknown): Promise<Result<GivenMark>> {
  return giveMark(await staffContext(), input);
}

export async function readAnswersAction(
  input: unknown,
): Promise<Result<{ answers: DeskAnswer[]; drawn: DrawnFormulas }>> {
  const read = await readAnswers(await staffContext(), input);
  if (!read.ok) return read;
  const { sheet, answers } = read.value;
  return ok({ answers, drawn: drawAnswers(sheet, answers) });
}

export async function addRemarkAction(input: unknown): Promise<Result<{ remark: Remark | null; kept: KeptRemark[] }>> {
  return addRemark(await staffContext(), input);
}

export async function changeRemarkAction(input: unknown): Promise<Result<{ changed: number }>> {
  return changeRemark(await staffContext(), input);
}

export async function takeBackRemarkAction(input: unknown): Promise<Result<null>> {
  return takeBackRemark(await staffContext(), input);
}

export async function dropKeptRemarkAction(input: unknown): Promise<Result<null>> {
  return dropKeptRemark(await staffContext(), input);
}

export async function alikeAnswersAction(input: unknown): Promise<Result<AlikeAnswers>> {
  return alikeAnswers(await staffContext(), input);
}

export async function giveAlikeAction(input: unknown): Promise<Result<{ given: string[]; marks: string }>> {
  return giveAlike(await staffContext(), input);
}

export async function setUnsureAction(input: unknown): Promise<Result<null>> {
  return setUnsure(await staffContext(), input);
}

export async function giveSecondMarkAction(input: unknown): Promise<Result<{ marks: string; settled: boolean }>> {
  return giveSecondMark(await staffContext(), input);
}

export async function takeAnswersAction(input: unknown): Promise<Result<{ taken: number }>> {
  return takeAnswers(await staffContext(), input);
}

export async function saveMarkingPlanAction(input: unknown): Promise<Result<null>> {
  return saveMarkingPlan(await staffContext(), input);
}

export async function ownJudgementsAction(input: unknown): Promise<Result<Difference[]>> {
  return ownJudgements(await staffContext(), input);
}

export async function figuresOverTimeAction(input: unknown): Promise<Result<FigureAt[]>> {
  return figuresOverTime(await staffContext(), input);
}
