'use client';
import type { Editor } from '@tiptap/react';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import Button from 'react-bootstrap/Button';
import { copyAction, leaveBenchAction, saveDraftAction } from '@/actions/bank';
import { keepSynonymsAction } from '@/actions/synonyms';
import { keepWordListAction, openWordListAction, proposeWordingsAction, wordListsAction } from '@/actions/vocabulary';
import { placedSlots, type QuestionBody, type Slot } from '@/core/bank/question';
import { followedMarks } from '@/core/bank/share-out';
import { titleOf, totalMarks } from '@/core/bank/summary';
import type { Content } from '@/core/content/document';
import { plainText } from '@/core/content/plain';
import type { OpenQuestion } from '@/server/bank/open-question';
import { ActMenu } from '../parts/ActMenu';
import { useKeys } from '../frame/keys';
import { Strip } from '../frame/Strip';
import { plainCopy } from '../parts/plain-copy';
import { fetchFieldEngine } from '../maths/make-field';
import { SavedState } from '../parts/SavedState';
import { useAutosave } from '../parts/use-autosave';
import { UndoRedo } from '../parts/UndoRedo';
import { useHistory } from '../parts/use-history';
import { marksText, marksWords } from '../words/marks';
import { lastBankPlace } from '../bank/bank-place';
import { TrayProvider } from '../tray/TrayProvider';
import { BenchContext } from './BenchContext';
import { BenchIndex } from './BenchIndex';
import { BenchMargin } from './BenchMargin';
import { kindOf } from '@/core/kinds/registry';
import { type KindPreset, PRESETS } from '../kinds/editors';
import { type BenchState, freshSlot, freshSlotId } from './bench-state';
import { MergeDialog } from './MergeDialog';
import { PassageSheet } from './PassageSheet';
import { Pointer } from './Pointer';
import { LifeNote } from '../bank/LifeNote';
import { ReviewNote } from './ReviewNote';
import { RevisionsDialog } from './RevisionsDialog';
import { SheetEditor } from './SheetEditor';
import type { SlotCopy } from './slot-copies';
import { chosenWords, copySlotNode, focusSlot, insertSlotNode, removeSlotNode } from './slot-nodes';
import { type WordHelp, WordHelpContext } from '../rules/WordHelp';
import { TrialDrawer } from './TrialDrawer';
import { TrySheet } from './TrySheet';
import { useChecks } from './use-checks';
import { useMerging } from './use-merging';
import { useOthers } from './use-others';
import { replyTo } from '../parts/reply-to';

/** The bench: the sheet in the middle, rules in the margin, trial answers in the drawer; all saved as typed. */
export function Bench({ question }: { question: OpenQuestion }) {
  const router = useRouter();
  const key = `zonda-bench-${question.id}`;
  const { present, change, ...history } = useHistory<BenchState>(
    { body: question.body, facts: question.facts },
    `zonda-history-${question.id}`,
  );
  const [selected, setSelected] = useState<string | null>(null);
  const [trying, setTrying] = useState(false);
  const [comparing, setComparing] = useState(false);
  const [synonymSets, setSynonymSets] = useState(question.synonyms);
  const editor = useRef<Editor | null>(null);
  const bench = useRef<HTMLDivElement>(null);
  const { body } = present;

  const save = useCallback(
    (state: BenchState, base: number) => saveDraftAction({ question: question.id, base, ...state }),
    [question.id],
  );
  const { state, flush, basis, startFrom } = useAutosave({
    key,
    value: present,
    version: question.version,
    savedAt: question.savedAt,
    save,
    bringBack: change,
  });

  const { id: bank } = question.bank;
  const { topic } = present.facts;
  const wordHelp = useMemo(
    (): WordHelp => ({
      sets: synonymSets,
      keep: (words: string[]) =>
        void replyTo(keepSynonymsAction({ bank, topic, words })).then((kept) => kept.ok && setSynonymSets(kept.value)),
      propose: (words, language) => proposeWordingsAction({ bank, topic, words: words.slice(0, 60), language }),
      lists: wordListsAction,
      openList: openWordListAction,
      keepList: keepWordListAction,
    }),
    [synonymSets, bank, topic],
  );

  const changeBody = useCallback(
    (part: (body: QuestionBody) => QuestionBody, tag: string) =>
      change((s) => ({ ...s, body: followedMarks(part(s.body)) }), tag),
    [change],
  );
  const changeSlot = useCallback(
    (id: string, slot: Slot, tag: string) => changeBody((b) => ({ ...b, slots: { ...b.slots, [id]: slot } }), tag),
    [changeBody],
  );

  const slotSet = useMemo(() => new Set(Object.keys(body.slots)), [body.slots]);
  /** The chosen words become the key of a slot that is typed and stands in a line. */
  const keyFor = ({ kind }: KindPreset): string =>
    editor.current && kindOf(kind).typed && kindOf(kind).placement === 'inline' ? chosenWords(editor.current) : '';
  const addSlot = (preset: KindPreset, key = keyFor(preset)): void => {
    const id = freshSlotId(slotSet);
    // It is drawn before the next key is pressed, so that no letter goes elsewhere.
    flushSync(() => {
      changeSlot(id, freshSlot(preset, question.conventions, key), '');
      setSelected(id);
    });
    if (editor.current) insertSlotNode(editor.current, preset.kind, id);
    void focusSlot(bench.current, id);
  };
  /** The chosen words become the key of a slot that stands in their place: a number when they read as one. */
  const wordsToSlot = (): void => {
    const words = editor.current ? chosenWords(editor.current) : '';
    const name = /^[-+−]?\d/.test(words) ? 'Number, unit' : 'Short text';
    const preset = PRESETS.find((p) => p.name === name);
    if (words !== '' && preset) addSlot(preset, words);
  };
  const copySlots = useCallback(
    (copies: SlotCopy[]): void => {
      const content = editor.current?.getJSON() as Content;
      changeBody((b) => {
        const added = copies.flatMap(({ of, id }) => (b.slots[of] ? [[id, b.slots[of]] as const] : []));
        return { ...b, content, slots: { ...b.slots, ...Object.fromEntries(added) } };
      }, '');
    },
    [changeBody],
  );
  const removeSlot = (id: string): void => {
    if (editor.current) removeSlotNode(editor.current, id);
    setSelected(null);
  };

  const placed = useMemo(() => placedSlots(body), [body]);
  const { findings, trials } = useChecks(body);
  const letters = useMemo(() => new Map(placed.map((p) => [p.id, p.letter])), [placed]);
  const access = useMemo(
    () => ({ slots: body.slots, letters, selected, select: setSelected, changeSlot }),
    [body.slots, letters, selected, changeSlot],
  );

  const leave = async (): Promise<void> => {
    await flush();
    await replyTo(leaveBenchAction(question.id));
    // Back to the list as it was left; a question that was opened from elsewhere leads to its own topic.
    const left = lastBankPlace();
    const own = `/bank?bank=${question.bank.id}`;
    router.push(
      left?.href.startsWith(own) || left?.href === '/bank?bank=all'
        ? left.href
        : `${own}${present.facts.topic ? `&topic=${present.facts.topic}` : ''}`,
    );
  };
  const keepAsCopy = async (): Promise<void> => {
    const copy = await replyTo(copyAction(question.id, plainCopy(body)));
    if (!copy.ok) return;
    localStorage.removeItem(key);
    router.push(`/bank/${copy.value.id}`);
  };
  const conflict = state.name === 'refused' && state.refusal.code === 'changed-elsewhere';
  const { dispute, goOnWith, mergedWith } = useMerging({
    question: question.id,
    present,
    conflict,
    change,
    basis,
    startFrom,
  });
  useKeys([
    { keys: 'Ctrl+Enter', what: 'Try the sheet', run: () => setTrying(true) },
    { keys: 'Ctrl+m', what: 'Turn the chosen words into an answer slot', run: wordsToSlot },
  ]);

  useEffect(() => void fetchFieldEngine(), []);

  const others = useOthers(question.id);
  const total = totalMarks(body).toFraction();
  return (
    <TrayProvider>
      <BenchContext.Provider value={access}>
        <Strip
          where={{ href: `/bank?bank=${question.bank.id}`, name: question.bank.name }}
          title={titleOf(body)}
          chip={`difficulty ${present.facts.difficulty}`}
          state={
            question.revision === 0
              ? 'draft'
              : `revision ${question.revision}${question.changed ? ', changed since' : ''}`
          }
        >
          <SavedState state={state} />
          {question.history.length > 0 && (
            <Button variant="quiet" aria-haspopup="dialog" onClick={() => setComparing(true)}>
              Revisions
            </Button>
          )}
          <UndoRedo {...history} />
          <Button variant="outline-primary" aria-haspopup="dialog" onClick={() => setTrying(true)}>
            Try the sheet
          </Button>
          <Button onClick={leave}>Done</Button>
        </Strip>
        {(others.length > 0 || mergedWith !== null) && (
          <p className="px-3 pt-2 mb-0 soft" role="status">
            {others.length > 0 && <span className="hand">{others.join(', ')} is at this question too. </span>}
            {mergedWith !== null && `Brought together with what ${mergedWith} saved.`}
          </p>
        )}
        <div className="bench" ref={bench}>
          <BenchIndex
            question={question}
            placed={placed}
            present={present}
            findings={findings}
            text={plainText(body.content)}
            change={change}
            onAdd={addSlot}
            onWords={wordsToSlot}
            onSelect={setSelected}
            selected={selected}
          />
          <div>
            <PassageSheet
              bank={question.bank.id}
              pages={question.pages}
              passage={body.passage}
              onChange={(passage, tag) => changeBody((b) => ({ ...b, passage }), tag)}
            />
            <SheetEditor
              label="The sheet"
              slots={body.slots}
              question={question.id}
              pages={question.pages}
              inserts={PRESETS.map((preset) => ({
                name: preset.name,
                about: preset.about,
                run: () => addSlot(preset),
              }))}
              onCopies={copySlots}
              onArrivals={(slots) => changeBody((b) => ({ ...b, slots: { ...b.slots, ...slots } }), '')}
              content={body.content}
              onChange={(content, typed) => changeBody((b) => ({ ...b, content }), typed ? 'content' : '')}
              onReady={(e) => {
                editor.current = e;
                // Whoever begins a question writes at once.
                if (plainText(body.content).trim() === '' && placed.length === 0) e.commands.focus();
              }}
              header={
                placed.length > 0 && (
                  <span className="qmarks" title={marksWords(total)}>
                    [{marksText(total)}]
                  </span>
                )
              }
            >
              <span className="gap only-narrow" aria-hidden="true" />
              <ActMenu
                className="only-narrow"
                words="+ Answer slot"
                choices={PRESETS.map(({ name }) => ({ value: name, words: name }))}
                onChoose={(value) => {
                  const preset = PRESETS.find(({ name }) => name === value);
                  if (preset) addSlot(preset);
                }}
              />
            </SheetEditor>
          </div>
          <WordHelpContext value={wordHelp}>
            <BenchMargin
              placed={placed}
              bank={question.bank.id}
              body={body}
              findings={findings}
              selected={selected}
              onSelect={setSelected}
              changeSlot={changeSlot}
              changeBody={changeBody}
              onRemove={removeSlot}
              onCopy={(id) => editor.current && copySlotNode(editor.current, id)}
              onPut={(text) => editor.current?.chain().focus().insertContent({ type: 'text', text }).run()}
            >
              <ReviewNote
                question={question}
                placed={placed}
                selected={selected}
                flush={flush}
                onDone={() => router.refresh()}
              />
              <LifeNote question={question.id} />
            </BenchMargin>
          </WordHelpContext>
          <Pointer bench={bench} selected={selected} watch={present} />
        </div>
        <TrialDrawer placed={placed} body={body} checks={trials} selected={selected} changeBody={changeBody} />
        {dispute && (
          <MergeDialog
            base={dispute.base}
            mine={present}
            theirs={dispute.there}
            by={dispute.there.savedBy}
            onMerge={(merged) => goOnWith(merged, dispute.there)}
            onCopy={keepAsCopy}
          />
        )}
        {comparing && (
          <RevisionsDialog
            question={question}
            present={present}
            onGoBack={(earlier) => {
              change((s) => ({ ...s, body: earlier }));
              setComparing(false);
            }}
            onClose={() => setComparing(false)}
          />
        )}
        {trying && <TrySheet body={body} onClose={() => setTrying(false)} />}
      </BenchContext.Provider>
    </TrayProvider>
  );
}
