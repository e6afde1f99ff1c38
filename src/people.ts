/** People from the command line: `npm run people -- …`, for whoever has the server's machine. */
import { Command, CommanderError } from 'commander';
import { z } from 'zod';
import { WobrelError } from './core/errors';
import { faultOf, inWords } from './core/issue-words';
import {
  addPerson,
  emailSchema,
  linkFor,
  migratePeople,
  personNameSchema,
  removeEverybody,
  rosterOf,
} from './server/people';
import { dataFolder, setting } from './server/config';
import { migrateDatabase } from './server/db';
import { makeFolder } from './server/store';
import { FIRST_WORKSPACE, hereIn, ITSELF, ROLES } from './server/workspace';

const address = () => setting('WOBREL_URL') ?? `http://127.0.0.1:${setting('PORT')}`;
const linkTo = (token: string) => `${address()}/welcome#${token}\nIt works once, within a day.`;

const workspace = ['--workspace <number>', 'which workspace', String(FIRST_WORKSPACE)] as const;

/** @throws WobrelError `not-found` */
async function here(key: string) {
  const known = await rosterOf();
  if (!known.some(({ id }) => String(id) === key)) throw new WobrelError('not-found', `There is no workspace ${key}.`);
  const found = hereIn(Number(key), ITSELF);
  await migrateDatabase(found.db, found.files.database());
  return found;
}

const program = new Command('people').description('Who signs in to this Wobrel.').exitOverride();

program
  .command('add')
  .description('add a person, and print the link by which they choose a password; the first turns signing in on')
  .argument('<name>')
  .argument('<email>')
  .option('--role <role>', `${ROLES.join(', ')}; owner for the first, else artist`)
  .option(...workspace)
  .action(async (name: string, email: string, options: { role?: string; workspace: string }) => {
    const there = await here(options.workspace);
    const isFirst = (await rosterOf()).every(({ id, people }) => id !== there.key || people.length === 0);
    const role = options.role ?? (isFirst ? 'owner' : 'artist');
    const person = z
      .strictObject({ name: personNameSchema, email: emailSchema, role: z.enum(ROLES) })
      .parse({ name, email, role }, { error: inWords });
    const { link } = await addPerson(there, person);
    console.log(link === null ? `${person.email} is added, and signs in as before.` : linkTo(link));
  });

program
  .command('link')
  .description('print a link by which somebody chooses another password')
  .argument('<email>')
  .action(async (email: string) => console.log(linkTo(await linkFor(emailSchema.parse(email, { error: inWords })))));

program
  .command('list')
  .description('print all workspaces and who is in them')
  .action(async () => {
    for (const { id, name, people } of await rosterOf()) {
      console.log(`${id} ${name}`);
      for (const one of people) console.log(`  ${one.email}  ${one.role}  ${one.name}`);
    }
  });

program
  .command('off')
  .description('remove everybody: nobody signs in any more, and whoever reaches the server may do everything')
  .requiredOption('--yes', 'that is meant')
  .action(async () => {
    await removeEverybody();
    console.log('Nobody signs in any more.');
  });

function said(error: unknown): string {
  if (!(error instanceof z.ZodError)) return (error as Error).message;
  const { at, message } = faultOf(error);
  return at ? `${at}: ${message}` : message;
}

try {
  await makeFolder(dataFolder());
  await migratePeople();
  await program.parseAsync();
} catch (error) {
  if (!(error instanceof CommanderError)) console.error(said(error));
  process.exitCode = error instanceof CommanderError ? error.exitCode : 2;
}
