import { useEffect, useState } from 'react';
import { rosterAction } from '@/actions/department';
import type { Roster } from '@/server/people/roster';
import { replyTo } from '../parts/reply-to';

type People = Pick<Roster, 'subjects' | 'groups' | 'students'>;
const NO_PEOPLE: People = { subjects: [], groups: [], students: [] };

/** Who is in a course; asked for when it is wanted. */
export function useCoursePeople(course: string, wanted: boolean): People {
  const [found, setFound] = useState<{ course: string; people: People } | null>(null);
  useEffect(() => {
    if (!wanted) return;
    let stale = false;
    void replyTo(rosterAction(course)).then((result) => {
      if (!stale) setFound({ course, people: result.ok ? result.value : NO_PEOPLE });
    });
    return () => {
      stale = true;
    };
  }, [course, wanted]);
  return found?.course === course ? found.people : NO_PEOPLE;
}
