/** `npm run demo`: install, build, start on 127.0.0.1:4310, and bring in the demo photos. */
import { spawn } from 'node:child_process';
import { install, root, run } from './run.mjs';
import { seedDemo, waitForServer } from './seed-demo.mjs';

const port = process.env.PORT ?? '4310';
install();
run('npm', ['run', 'build']);
const env = { ...process.env, NODE_ENV: 'production', PORT: port };
const server = spawn(process.execPath, ['dist/serve.mjs'], { cwd: root, stdio: 'inherit', env });
server.on('exit', (code) => process.exit(code ?? 1));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));

const address = `http://127.0.0.1:${port}`;
await waitForServer(address);
await seedDemo(address);
console.log(`\nWobrel is ready: ${address}`);
