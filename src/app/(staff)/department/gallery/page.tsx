import type { Metadata } from 'next';
import { staffContext } from '@/server/auth/request';
import { shelfForNew } from '@/server/bank/shelves';
import { readDepartment } from '@/server/people/policy';
import { Gallery } from '@/ui/gallery/Gallery';

export const metadata: Metadata = { title: 'What can be asked' };

export default async function GalleryPage() {
  const ctx = await staffContext();
  const { policy } = await readDepartment(ctx.db.read);
  return <Gallery conventions={policy.conventions} mayWrite={(await shelfForNew(ctx)) !== null} />;
}
