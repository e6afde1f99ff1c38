import { copyFile, link, lstat, mkdir, open, realpath, rename, rm, stat } from 'node:fs/promises';
import { dirname, isAbsolute, join, relative } from 'node:path';
import { z } from 'zod';
import { WobrelError } from '../../../core/errors';
import { asWriteError, digestFile } from '../../store';
import { asideName, defineDestination, type There } from '../destination';
import { changedThere, destinationRefuses } from '../trouble';

/** Another one whenever the file is written or another takes its place. */
async function thereAt(path: string): Promise<There | null> {
  const found = await lstat(path, { bigint: true }).catch(() => null);
  if (!found) return null;
  const { size, mtimeNs, ino } = found;
  return { bytes: Number(size), version: `${ino}-${size}-${mtimeNs}` };
}

/** Whatever is wrong with the disk is not over soon. */
function asRefusal(error: unknown, path: string): unknown {
  if (error instanceof WobrelError) return error;
  const told = asWriteError(error, path);
  return told instanceof WobrelError ? destinationRefuses(told.message) : error;
}

/** What is said of a second name for a file by disks that have none, as those of memory sticks (exFAT) and some network folders. */
const NO_LINKS = ['EPERM', 'ENOSYS', 'ENOTSUP', 'EOPNOTSUPP'];

/** Takes a name by an empty file, and puts the whole one in its place: killed in between, it leaves the empty one. */
async function placeFree(from: string, to: string): Promise<void> {
  await (await open(/*turbopackIgnore: true*/ to, 'wx')).close();
  await rename(from, to).catch(async (error: unknown) => {
    await rm(to, { force: true });
    throw error;
  });
}

/** Takes a name that is free: nothing of another's is ever replaced. */
async function takeFree(from: string, to: string, name: string): Promise<void> {
  await link(from, to)
    .catch((error: NodeJS.ErrnoException) => {
      if (NO_LINKS.includes(error.code ?? '')) return placeFree(from, to);
      throw error;
    })
    .catch((error: NodeJS.ErrnoException) => {
      throw error.code === 'EEXIST' ? changedThere(name) : error;
    });
}

/** The folder of a file, made where it is missing; a link in it may not lead out of the root. */
async function folderFor(root: string, name: string): Promise<string> {
  if (!(await stat(root).catch(() => null))?.isDirectory())
    throw destinationRefuses(`The folder ${root} is not there.`);
  const path = join(root, name);
  await mkdir(dirname(path), { recursive: true });
  const inside = relative(await realpath(root), await realpath(dirname(path)));
  if (inside.startsWith('..') || isAbsolute(inside))
    throw destinationRefuses(`${name} would lie outside of ${root}: a link in it leads there.`);
  return path;
}

/** One folder of the server's disk, or of one that is mounted there. */
export const folder = defineDestination({
  kind: 'folder',
  label: 'Folder',
  settings: z.strictObject({ path: z.string().refine(isAbsolute, { error: 'expected a path from the root on' }) }),
  address: ({ path }) => path,
  open: ({ path: root }) => ({
    rules: async () => null,
    look: (name) => thereAt(join(root, name)),
    digest: async (name) => (await digestFile(join(root, name))).sha256,
    put: async (name, { source, sha256 }, over) => {
      let aside: string | null = null;
      try {
        const path = await folderFor(root, name);
        aside = join(dirname(path), asideName(name, sha256));
        await rm(aside, { force: true });
        await copyFile(source, aside);
        const written = await open(/*turbopackIgnore: true*/ aside, 'r+');
        await written.sync().finally(() => written.close());
        const there = await thereAt(path);
        if (there?.version !== over?.version) throw changedThere(name);
        await (over ? rename(aside, path) : takeFree(aside, path, name));
        return (await thereAt(path))!.version;
      } catch (error) {
        throw asRefusal(error, join(root, name));
      } finally {
        if (aside) await rm(aside, { force: true }).catch(() => {});
      }
    },
  }),
});
