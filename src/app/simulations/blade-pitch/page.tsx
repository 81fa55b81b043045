import type { Metadata } from 'next';
import { BladePitch } from '@/ui/simulations/BladePitch';

export const metadata: Metadata = { title: 'Blade pitch and power' };

/** A small simulation that ships with Zonda, to stand in sheets. */
export default function BladePitchPage() {
  return <BladePitch />;
}
