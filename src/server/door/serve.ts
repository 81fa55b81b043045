import { createServer } from 'node:http';
import { parseArgs } from 'node:util';
import next from 'next';
import pino from 'pino';
import { readEnv } from '../env';
import { servedAt } from '../ports/printer';
import { openDoor } from './door';
import { answerSave, isSave } from './room-saves';

/**
 * Serves the built application, or the source as it is being written (`--dev`): on this machine alone unless told otherwise
 * (`--host`), on port 3000 (`--port`).
 */
const { values } = parseArgs({
  options: {
    host: { type: 'string', default: 'localhost' },
    port: { type: 'string', default: '3000' },
    dev: { type: 'boolean', default: false },
  },
});
// What the server writes is nobody else's on this machine.
process.umask(0o077);
const { host, dev } = values;
const port = Number(values.port);
const { proxy } = readEnv();

const log = pino({ name: 'zonda' });
const application = next({ dev, hostname: host, port });
await application.prepare();
const answer = application.getRequestHandler();
const door = openDoor({ proxy });
const server = createServer((request, response) => {
  door(request, response, () => (isSave(request) ? answerSave : answer)(request, response)).catch((error: unknown) => {
    log.error(error);
    response.destroy();
  });
});
// A recording on a slow line takes minutes; nothing that is honest takes longer.
server.requestTimeout = 600_000;
server.headersTimeout = 20_000;
const everywhere = host === '0.0.0.0' || host === '::';
server.listen(port, host, () => {
  servedAt(`http://${everywhere ? 'localhost' : host}:${port}`);
  console.log(`Zonda at http://${host}:${port}`);
});
