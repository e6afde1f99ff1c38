/** `npm run bench`: side-by-side measurements; needs an installed and built application. */
import { installChromium, run } from './run.mjs';

installChromium();
run('npx', ['tsx', 'bench/main.ts']);
