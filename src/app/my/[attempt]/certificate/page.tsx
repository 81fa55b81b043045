import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { studentContext } from '@/server/auth/request';
import { departmentZone } from '@/server/people/zone';
import { openCertificate } from '@/server/results/certificates';
import { CertificateSheet } from '@/ui/results/CertificateSheet';
import { dayOnly } from '@/ui/words/time';

export const metadata: Metadata = { title: 'Certificate' };

export default async function CertificatePage({ params }: { params: Promise<{ attempt: string }> }) {
  const zone = departmentZone();
  const opened = await openCertificate(await studentContext(), (await params).attempt, (at) => dayOnly(at, zone));
  if (!opened.ok) notFound();
  const host = (await headers()).get('host') ?? '';
  return <CertificateSheet certificate={opened.value} address={`${host}/check`} />;
}
