import { afterEach, beforeEach, expect, it } from 'vitest';
import { emptyQuestion, type QuestionBody } from '@/core/bank/question';
import { must } from '@/core/base/result';
import { say, type SayResponse, spokenAs, type SaySetup } from '@/core/kinds/say/say';
import { rulesFromKey } from '@/core/rules/text/rules';
import { CALLS, hashOf, spoken } from '@/demo/spoken';
import { addRecording } from '@/server/media/add-recording';
import { openTray } from '@/server/media/tray';
import { currentMarks } from '@/server/marking/current-marks';
import { currentAnswers } from '@/server/sittings/attempts';
import { addFilePiece } from '@/server/sittings/handed-files';
import { hearAnswer } from '@/server/sittings/heard';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
  for (const { words, file } of CALLS)
    must(await addRecording(dept.as('teacher'), spoken(file), 'sound', spokenAs(words)));
});
afterEach(() => dept.close());

const called =
  (part: Partial<SaySetup> = {}) =>
  (title: string): QuestionBody => ({
    ...emptyQuestion,
    title,
    content: { type: 'doc', content: [{ type: 'blockSlot', attrs: { id: 'a' } }] },
    slots: {
      a: {
        kind: 'say',
        marks: '2',
        setup: {
          ...say.fresh(),
          rules: { ...say.fresh().rules, rules: rulesFromKey('stop the rotor').rules },
          spoken: CALLS.map(({ words, file }, i) => ({ id: `s${i}`, words, sound: hashOf(spoken(file)) })),
          ...part,
        },
      },
    },
  });

let seq = 0;
/** Somebody who sits an exam of one spoken question. */
async function sitter(who: string, part: Partial<SaySetup> = {}, sitting?: string) {
  const where = sitting ?? (await dept.sitting(1, 30, called(part))).sitting;
  const attempt = await dept.sit(who, where);
  const save = async (value: unknown) =>
    must(
      await saveAnswers(dept.as(who), {
        attempt,
        device: `device-of-${who}`,
        entries: [{ seq: ++seq, item: 'item0', slot: 'a', value, age: 0 }],
      }),
    );
  const bring = async (bytes: Uint8Array): Promise<SayResponse['file']> => {
    const file = { attempt, hash: hashOf(bytes), name: 'said.wav', size: bytes.length };
    must(await addFilePiece(dept.as(who), { ...file, from: 0, age: 0 }, bytes));
    return file;
  };
  let tries = 0;
  return {
    sitting: where,
    attempt,
    save,
    bring,
    async says(call: string, understood: SayResponse['understood'] = null) {
      const file = await bring(spoken(`calls/${call}.wav`));
      const saved = await save({ file, seconds: 1, tries: ++tries, understood });
      return { file, saved, hear: () => hearAnswer(dept.as(who), attempt, { hash: file?.hash }) };
    },
    marks: async () => {
      await handInAndMark(dept.as(who), attempt);
      return (await currentMarks(dept.out.db.read, { attempt }))[0];
    },
    answer: async () => (await currentAnswers(dept.out.db.read, attempt)).item0?.a as SayResponse,
  };
}

it('what is said is understood, told at once, and marked by its rules', async () => {
  const ada = await sitter('ada');
  const { hear } = await ada.says('said-stop');
  const understood = must(await hear());
  expect(understood.words).toBe('stop the rotor');
  expect(understood.sure).toBeGreaterThan(0.8);
  // It is listened to once, whatever the hand that asks.
  expect((await Promise.all([hear(), hear()])).map(must)).toEqual([understood, understood]);
  expect(await ada.marks()).toMatchObject({ marks: '2', trace: [{ code: 'understood' }, {}, {}] });
  expect((await ada.answer()).understood).toEqual(understood);
});

it('what a page says was understood is not believed', async () => {
  const ada = await sitter('ada');
  await ada.says('said-turn', { words: 'stop the rotor', sure: 1 });
  expect((await ada.answer()).understood).toBeNull();
  expect(await ada.marks()).toMatchObject({ marks: '0' });
  expect((await ada.answer()).understood).toMatchObject({ words: 'turn the rotor' });
});

it('nobody has to ask: it is listened to as it is marked; what is doubtful waits for a person', async () => {
  const ada = await sitter('ada', { sure: 'very' });
  await ada.says('said-stop');
  expect(await ada.marks()).toMatchObject({ marks: '2' });
  const ben = await sitter('ben', {}, ada.sitting);
  await ben.says('said-other');
  const mark = await ben.marks();
  expect(mark?.marks).toBeNull();
  expect(['nothing-understood', 'not-sure-enough']).toContain(mark?.trace.at(-1)?.code);
});

it('a recording that is no wave waits for a person', async () => {
  const ada = await sitter('ada');
  const file = await ada.bring(new TextEncoder().encode('RIFF, I am a wave'));
  await ada.save({ file, seconds: 1, tries: 1, understood: null });
  expect(must(await hearAnswer(dept.as('ada'), ada.attempt, { hash: file?.hash })).words).toBe('');
  expect(await ada.marks()).toMatchObject({ marks: null });
});

it('no more recordings are listened to than may be said, and none of others', async () => {
  const ada = await sitter('ada', { tries: 1 });
  const first = await ada.says('said-turn');
  must(await first.hear());
  // A page that miscounts its tries brings another one.
  const file = await ada.bring(spoken('calls/said-stop.wav'));
  await ada.save({ file, seconds: 1, tries: 1, understood: null });
  const ask = (who: string, hash = file?.hash) => hearAnswer(dept.as(who), ada.attempt, { hash });
  expect(await ask('ada')).toMatchObject({ refusal: { code: 'said-too-often' } });
  expect(await ask('ben')).toMatchObject({ refusal: { code: 'forbidden' } });
  expect(await ask('teacher')).toMatchObject({ refusal: { code: 'forbidden' } });
  expect(await ask('ada', 'f'.repeat(64))).toMatchObject({ refusal: { code: 'not-said-yet' } });
  expect(await ask('ada', 'nonsense')).toMatchObject({ refusal: { code: 'bad-input' } });
  dept.pass(40);
  expect(await ask('ada')).toMatchObject({ ok: false });
});

it('the sheet has neither the words nor the sounds of the samples', async () => {
  const ada = await sitter('ada');
  const room = JSON.stringify(must(await openRoom(dept.as('ada'), ada.attempt)));
  for (const { words, file } of CALLS) {
    expect(room).not.toContain(words);
    expect(room).not.toContain(hashOf(spoken(file)));
  }
});

it('a sample lies in the tray under what is said in it', async () => {
  const found = must(await openTray(dept.as('teacher'), { words: 'turn the', medium: 'sound', licence: null }));
  expect(found.items.map(({ description }) => description)).toEqual(['“turn the rotor”, spoken']);
});
