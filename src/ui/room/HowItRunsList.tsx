import type { HowItRuns } from '@/server/sittings/before';
import { howItRunsText } from '../words/how-it-runs';
import { DeviceCheck } from './DeviceCheck';

/** Instructions and rules, and whether the device will do, before the time begins. */
export function HowItRunsList({ how, zone }: { how: HowItRuns; zone: string }) {
  return (
    <>
      {how.instructions && <p dir="auto">{how.instructions}</p>}
      <ul className="how-it-runs">
        {howItRunsText(how, zone).map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
      <DeviceCheck />
    </>
  );
}
