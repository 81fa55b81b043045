'use client';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { startLikeAction } from '@/actions/bank';
import type { QuestionBody } from '@/core/bank/question';
import type { Conventions } from '@/core/rules/maths/rules';
import { MarkedSlots } from '../bench/MarkedSlots';
import { useTrial } from '../bench/use-trial';
import { Strip } from '../frame/Strip';
import { type KindPreset, PRESETS } from '../kinds/editors';
import { sideOf } from '../kinds/registry';
import { Trouble } from '../parts/Trouble';
import { QuestionView } from '../sheet/QuestionView';
import { TrialKeeper } from '../speech/TrialKeeper';
import { refusalText } from '../words/refusals';
import { exampleQuestion } from './example-question';
import { replyTo } from '../parts/reply-to';

interface Props {
  conventions: Conventions;
  /** Whether this person may begin questions. */
  mayWrite: boolean;
}

/** Everything that can be asked, ready to be answered, each to start from. */
export function Gallery({ conventions, mayWrite }: Props) {
  return (
    <>
      <Strip
        where={mayWrite ? { href: '/department', name: 'Department' } : { href: '/marking', name: 'Marking' }}
        title="What can be asked"
        state="Answer as a student would; nothing of it is kept."
      />
      <nav className="gallery-index" aria-label="Ways to ask">
        {PRESETS.map(({ name, kind }, i) => (
          <a key={name} href={`#way-${i + 1}`}>
            <span aria-hidden="true">{sideOf(kind).words.sign}</span> {name}
          </a>
        ))}
      </nav>
      <div className="gallery">
        {PRESETS.map((preset, i) => (
          <Way key={preset.name} preset={preset} number={i + 1} conventions={conventions} mayWrite={mayWrite} />
        ))}
      </div>
    </>
  );
}

interface WayProps extends Props {
  preset: KindPreset;
  number: number;
}

/** One way to ask: when to use it, and a question to try it with. */
function Way({ preset, number, conventions, mayWrite }: WayProps) {
  const router = useRouter();
  const question = useMemo(() => exampleQuestion(preset, conventions), [preset, conventions]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [starting, setStarting] = useState(false);
  const start = async (): Promise<void> => {
    setStarting(true);
    const started = await replyTo(startLikeAction(question));
    if (started.ok) return router.push(`/bank/${started.value.id}`);
    setTrouble(refusalText(started.refusal));
    setStarting(false);
  };
  return (
    <section className="way" id={`way-${number}`} aria-label={preset.name}>
      <div className="way-head">
        <h2>{preset.name}</h2>
        <p className="soft">{preset.about}.</p>
        {mayWrite && (
          <Button variant="outline-primary" disabled={starting} onClick={() => void start()}>
            {starting ? 'Opens…' : 'Start a question like this'}
          </Button>
        )}
        <Trouble>{trouble}</Trouble>
      </div>
      <TriedQuestion question={question} number={number} />
    </section>
  );
}

function TriedQuestion({ question, number }: { question: QuestionBody; number: number }) {
  const { variant, view, handedIn, marked, handIn, again } = useTrial(question, number);
  return (
    <div>
      <div className="sheet">
        <TrialKeeper slots={variant.slots} responses={view.responses}>
          <QuestionView number={String(number)} marks="2" {...view} />
        </TrialKeeper>
        {handedIn ? (
          <Button variant="outline-primary" onClick={again}>
            Once more
          </Button>
        ) : (
          <Button onClick={handIn}>Hand in</Button>
        )}
      </div>
      {handedIn && <MarkedSlots question={question} marked={marked} />}
    </div>
  );
}
