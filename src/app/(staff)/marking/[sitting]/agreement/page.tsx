import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openAgreement } from '@/server/marking/agreement';
import { Strip } from '@/ui/frame/Strip';
import { AgreementSheet } from '@/ui/marking/AgreementSheet';

export const metadata: Metadata = { title: 'Agreement' };

export default async function AgreementPage({ params }: { params: Promise<{ sitting: string }> }) {
  const { sitting } = await params;
  const report = await openAgreement(await staffContext(), sitting);
  if (!report.ok) notFound();
  return (
    <>
      <Strip where={{ href: `/marking/${sitting}`, name: report.value.title }} title="Agreement of two markers" />
      <AgreementSheet report={report.value} />
    </>
  );
}
