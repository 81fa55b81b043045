import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { may } from '@/core/people/may';
import { staffContext } from '@/server/auth/request';
import { visibleBanks } from '@/server/bank/access';
import { listSealed } from '@/server/exchange/sealed-files';
import { coursesFor } from '@/server/people/courses';
import { departmentZone } from '@/server/people/zone';
import { SealedFiles } from '@/ui/exchange/SealedFiles';
import { Strip } from '@/ui/frame/Strip';

export const metadata: Metadata = { title: 'Exam files' };

export default async function ExamFilesPage() {
  const ctx = await staffContext();
  if (!may(ctx.actor, 'build exams', null)) redirect('/');
  const banks = (await visibleBanks(ctx)).filter(({ access }) => may(ctx.actor, 'write in bank', access));
  return (
    <>
      <Strip where={{ href: '/exams', name: 'Exams' }} title="Sealed files" />
      <SealedFiles
        files={await listSealed(ctx)}
        banks={banks.map(({ id, name }) => ({ id, name }))}
        courses={(await coursesFor(ctx, 'run sittings')).map(({ id, code, title }) => ({
          id,
          name: `${code} ${title}`,
        }))}
        zone={departmentZone()}
      />
    </>
  );
}
