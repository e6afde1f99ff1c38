#!/usr/bin/env node
import command from './compiled.cjs';

await command.main();
