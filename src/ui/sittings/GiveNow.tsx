'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import { giveNowAction } from '@/actions/bank';
import type { CourseRow } from '@/server/people/courses';
import { refusalText } from '../words/refusals';
import { Trouble } from '../parts/Trouble';
import { replyTo } from '../parts/reply-to';

/** Gives one question to a class now, in two clicks, everything at its default. */
export function GiveNow({ question, ready, courses }: { question: string; ready: boolean; courses: CourseRow[] }) {
  const router = useRouter();
  const [trouble, setTrouble] = useState<string | null>(null);
  const give = async (course: string): Promise<void> => {
    const result = await replyTo(giveNowAction(question, course));
    if (result.ok) router.push(`/sittings/${result.value.id}`);
    else setTrouble(refusalText(result.refusal));
  };
  return (
    <>
      <Dropdown>
        <Dropdown.Toggle
          variant="outline-primary"
          disabled={!ready}
          title={ready ? undefined : 'Something stops this question; open it and look at readiness'}
        >
          Give to the class now
        </Dropdown.Toggle>
        <Dropdown.Menu>
          {courses.map((c) => (
            <Dropdown.Item as="button" key={c.id} onClick={() => give(c.id)}>
              {c.code} {c.title}
            </Dropdown.Item>
          ))}
        </Dropdown.Menu>
      </Dropdown>
      <Trouble className="w-100">{trouble}</Trouble>
    </>
  );
}
