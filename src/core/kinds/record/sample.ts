import type { KindSample } from '../contract';
import { record, type RecordSetup } from './record';

const keyed = (example: string): RecordSetup => ({ ...record.fresh(), tries: 3, example });

export const sample: KindSample<RecordSetup> = {
  setup: keyed('secretkeyword'),
  otherKeys: [keyed('says who and where'), keyed('')],
  responses: [
    {
      file: { hash: 'a'.repeat(64), name: 'recording.webm', size: 9000, attempt: '' },
      seconds: 12.5,
      tries: 2,
    },
  ],
};
