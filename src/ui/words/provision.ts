import type { ExtraTime, Provision } from '@/core/people/provision';
import { listed, plural } from './marks';
import { dayOnly } from './time';

/** "25 % and 5 minutes"; empty for none. */
export function extraTimeText({ percent, minutes }: ExtraTime): string {
  const parts = [...(percent > 0 ? [`${percent} %`] : []), ...(minutes > 0 ? [plural(minutes, 'minute')] : [])];
  return listed(parts);
}

/** What is provided, in a line: "25 % extra time, large print, until 1 Jul 2027"; empty for nothing. */
export function provisionText(provision: Provision, zone?: string): string {
  const extra = extraTimeText({ percent: provision.extraTimePercent, minutes: provision.extraMinutes });
  const parts = [
    ...(extra ? [`${extra} extra time`] : []),
    ...(provision.largePrint ? ['large print'] : []),
    ...(provision.readAloud ? ['read aloud'] : []),
    ...(provision.breakMinutes > 0 ? [`${plural(provision.breakMinutes, 'minute')} of breaks`] : []),
    ...(provision.glosses ? ['words explained'] : []),
    ...(provision.secondLanguage ? ['second language'] : []),
    ...(provision.until === null ? [] : [`until ${dayOnly(provision.until, zone)}`]),
  ];
  return parts.join(', ');
}
