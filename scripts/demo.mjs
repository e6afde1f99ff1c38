/** `npm run demo`: install, build, start on 127.0.0.1:4310 with a simulated shop beside it, and bring in the demo photos. */
import { spawn } from 'node:child_process';
import { connect } from 'node:net';
import { demoDestinations } from './demo-destinations.mjs';
import { install, root, run } from './run.mjs';
import { seedDemo, waitForServer } from './seed-demo.mjs';

const port = process.env.PORT || '4310';
const address = `http://127.0.0.1:${port}`;

const isTaken = await new Promise((resolve) => {
  const asked = connect(Number(port), '127.0.0.1', () => asked.destroy(resolve(true)));
  asked.on('error', () => resolve(false));
}).catch(() => false);
if (isTaken) {
  // Before anything is built: a server that runs from this folder would lose its files to that.
  console.error(`Something runs at ${address} already: end it, or set PORT and WOBREL_DATA to others.`);
  process.exit(1);
}

install();
run('npm', ['run', 'build']);
const env = { ...process.env, NODE_ENV: 'production', PORT: port };
const server = spawn(process.execPath, ['dist/serve.mjs'], { cwd: root, stdio: 'inherit', env });
// It may end, as where its port is taken: uploads to it say so then.
const shop = spawn(process.execPath, ['dist/stand-ins.mjs', ...demoDestinations(Number(port) + 1)], { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] }); // prettier-ignore
const stop = (signal) => {
  shop.kill();
  server.kill(signal);
};
server.on('exit', (code) => {
  shop.kill();
  process.exit(code ?? 1);
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => stop(signal));

await waitForServer(address);
await seedDemo(address);
console.log(`\nWobrel is ready: ${address}`);
