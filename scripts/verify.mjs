/** `npm run verify`: install, lint, types, unit tests, build, browser tests. */
import { install, installChromium, run } from './run.mjs';

install();
installChromium();
run('npm', ['run', 'lint']);
run('npm', ['run', 'types']);
run('npm', ['test']);
run('npm', ['run', 'build']);
run('npm', ['run', 'e2e']);
