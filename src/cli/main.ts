/** The command line. Exit status: 0 all done, 1 some photos failed, 2 the call or the template is wrong. */
import { Command, CommanderError } from 'commander';
import { WobrelError } from '../core/errors';

const program = new Command('wobrel').description('Photos in, alike cutouts out.').exitOverride();

program
  .command('render')
  .description('render photos through a template, without a server')
  .requiredOption('--template <file>', 'the template document')
  .requiredOption('--out <folder>', 'where the files and manifest.json go')
  .option('--from <file>', 'the template that it is made from: what that locks must be as it is there')
  .option('--data <file>', 'a table of photo data, CSV or TSV, one column of which names the photos’ files')
  .argument('<photos...>', 'photos, or folders of photos')
  .action(async (photos: string[], options: { template: string; from?: string; out: string; data?: string }) => {
    const progress = process.stderr.isTTY
      ? (done: number, all: number) => process.stderr.write(`\r${done} of ${all} photos`)
      : () => {};
    // Only now: asking for help must not load all that renders.
    const { render } = await import('./render');
    const { items } = await render({ ...options, photos }, { done: progress, odd: (words) => console.error(words) });
    if (process.stderr.isTTY) process.stderr.write('\n');
    const failed = items.filter((item) => item.error !== null);
    for (const { photo, error } of failed) console.error(`${photo}: ${error}`);
    console.log(
      `${items.length - failed.length} files written to ${options.out}${failed.length ? `, ${failed.length} photos failed` : ''}`,
    );
    process.exitCode = failed.length > 0 ? 1 : 0;
  });

const template = program.command('template').description('template files checked, compared, written anew');

template
  .command('check')
  .description('say what is wrong with template files; status 2 where something is')
  .argument('<files...>', 'template files')
  .option('--from <file>', 'the template that they are made from: what that locks must be as it is there')
  .action(async (files: string[], { from }: { from?: string }) => {
    const { checkFiles } = await import('./template');
    const { lines, wrong } = await checkFiles(files, from ?? null);
    for (const line of lines) console.log(line);
    process.exitCode = wrong > 0 ? 2 : 0;
  });

template
  .command('diff')
  .description('say what the second file changes; status 1 where it changes something')
  .argument('<before>', 'a template file')
  .argument('<after>', 'another')
  .action(async (before: string, after: string) => {
    const { differences } = await import('./template');
    const changes = await differences(before, after);
    for (const change of changes) console.log(change);
    process.exitCode = changes.length > 0 ? 1 : 0;
  });

template
  .command('upgrade')
  .description('write template files anew in today’s form, with every default')
  .argument('<files...>', 'template files')
  .action(async (files: string[]) => {
    const { upgradeFiles } = await import('./template');
    for (const line of await upgradeFiles(files)) console.log(line);
  });

export async function main(): Promise<void> {
  try {
    await program.parseAsync();
  } catch (error) {
    process.exitCode = 2;
    if (error instanceof CommanderError) process.exitCode = error.exitCode === 0 ? 0 : 2;
    else if (error instanceof WobrelError) console.error(error.message);
    else console.error(`wobrel stopped unexpectedly: ${(error as Error)?.message ?? String(error)}`);
  }
}
