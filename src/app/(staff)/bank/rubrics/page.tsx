import type { Metadata } from 'next';
import { staffContext } from '@/server/auth/request';
import { listRubrics } from '@/server/bank/rubrics';
import { listShelves } from '@/server/bank/shelves';
import { Strip } from '@/ui/frame/Strip';
import { ListSheet } from '@/ui/parts/ListSheet';
import { NewRubric } from '@/ui/rubrics/NewRubric';
import { LOOKS } from '@/ui/rubrics/looks';
import { dayAndTime } from '@/ui/words/time';

export const metadata: Metadata = { title: 'Rubrics' };

export default async function RubricsPage() {
  const context = await staffContext();
  const [rubrics, shelves] = await Promise.all([listRubrics(context), listShelves(context)]);
  return (
    <>
      <Strip where={{ href: '/bank', name: 'Bank' }} title="Rubrics">
        <NewRubric shelves={shelves} />
      </Strip>
      <ListSheet
        rows={rubrics}
        keyOf={({ id }) => id}
        title="Rubric"
        href={({ id }) => `/bank/rubrics/${id}`}
        text={({ rubric }) => rubric.title || 'Without a title'}
        columns={[
          { head: 'Sort', cell: ({ rubric }) => LOOKS[rubric.look] },
          { head: 'Criteria', cell: ({ rubric }) => rubric.criteria.length, figure: true },
          { head: 'Bank', cell: ({ bankName }) => bankName },
          { head: 'Saved', cell: ({ savedAt, savedBy }) => `${dayAndTime(savedAt)}, ${savedBy}` },
        ]}
        empty="No rubric yet. Begin one here, or keep one from a question’s margin."
      />
    </>
  );
}
