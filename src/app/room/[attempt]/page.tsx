import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { writerContext } from '@/server/auth/request';
import { newestVersion } from '@/server/events/versions';
import { openRoom } from '@/server/sittings/room';
import { Room } from '@/ui/room/Room';
import { drawChecked } from '@/ui/sheet/draw-checked';
import { drawHints } from '@/ui/sheet/draw-hints';
import { drawContentFormulas } from '@/ui/sheet/formulas';
import { drawSections } from '@/ui/sheet/draw-sections';

export const metadata: Metadata = { title: 'Room' };

export default async function RoomPage({ params }: { params: Promise<{ attempt: string }> }) {
  const ctx = await writerContext();
  const version = await newestVersion(ctx.db.read);
  const room = await openRoom(ctx, (await params).attempt);
  if (!room.ok) notFound();
  const checked = Object.entries(room.value.checked).map(([item, told]) => [item, drawChecked(told)]);
  const hints = Object.entries(room.value.hints).map(([item, ofItem]) => [item, drawHints(ofItem)]);
  const drawn = {
    ...room.value,
    version,
    sections: drawSections(room.value.sections),
    checked: Object.fromEntries(checked),
    hints: Object.fromEntries(hints),
    formulas: room.value.formulas && { content: room.value.formulas, drawn: drawContentFormulas(room.value.formulas) },
  };
  // Whoever is let back in after this page was loaded without a sheet, or goes on to another part, gets another one, with the answers that there are.
  const { attempt, sections, clock } = room.value;
  return <Room key={`${attempt} ${sections.length > 0} ${clock.stage?.id ?? ''}`} room={drawn} />;
}
