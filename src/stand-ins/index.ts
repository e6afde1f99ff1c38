/** `node dist/stand-ins.mjs channel PORT FOLDER TOKEN` or `webdav PORT FOLDER`: runs a stand-in until it is stopped. */
import { startChannel } from './channel';
import { startWebdav } from './webdav';

const [kind, port = '0', folder = '.', token = ''] = process.argv.slice(2);
const start = {
  channel: () => startChannel({ port: Number(port), folder, token }),
  webdav: () => startWebdav({ port: Number(port), folder }),
}[String(kind)];
if (!start) throw new Error('expected “channel” or “webdav”, a port and a folder');
const { url } = await start();
// oxlint-disable-next-line no-console -- says where it is
console.log(`The simulated ${kind} listens on ${url}`);
