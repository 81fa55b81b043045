import path from 'node:path';
import type { Outside } from './context';
import { type Database, openDatabase } from './db/database';
import { readEnv } from './env';
import { type Marker, openMarker } from './jobs/marker';
import { type Converter, ffmpegConverter } from './ports/converter';
import { type Files, folderFiles } from './ports/files';
import { smtpMailer } from './ports/mailer';
import { type Mailer, standInMailer } from './ports/mailer-port';
import { type Recogniser, standInRecogniser } from './ports/recogniser';
import { openWeb, type Web } from './ports/web';
import { standInWeb } from './ports/web-stand-in';
import { publicKeys } from './platforms/keys';
import { standInPlatform } from './ports/platform-stand-in';

/**
 * The services of this process, opened once. They hang on the global object
 * because the framework may load this module more than once in one process.
 */
interface Services {
  db: Database;
  files: Files;
  web: Web;
  marker: Marker;
  mailer: Mailer;
  recogniser: Recogniser;
  converter: Converter;
}
const KEY = Symbol.for('zonda.services');
const holder = globalThis as { [KEY]?: Promise<Services> };

async function open(): Promise<Services> {
  const env = readEnv();
  const db = await openDatabase(env.databaseUrl);
  const platform = standInPlatform(path.join(env.dataFolder, 'stand-in-platform'), () => publicKeys(db, Date.now()));
  return {
    db,
    marker: openMarker(),
    files: folderFiles(path.join(env.dataFolder, 'files')),
    mailer: env.mail.smtp === null ? standInMailer : smtpMailer(env.mail.smtp, env.mail.from),
    recogniser: standInRecogniser(),
    converter: ffmpegConverter(),
    web: env.web === 'open' ? openWeb(env.platformsInside) : standInWeb(platform),
  };
}

/** The outside world with the time of now. */
export async function outside(): Promise<Outside> {
  holder[KEY] ??= open();
  return { ...(await holder[KEY]), now: Date.now() };
}
