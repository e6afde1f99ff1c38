/**
 * Destinations as the server's owner wrote them down: `destinations.json` in the data folder, read anew each time.
 * Neither addresses nor keys ever come from a page, so that no page can send the server anywhere else.
 */
import { readFile } from 'node:fs/promises';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { faultOf, inWords } from '../../core/issue-words';
import type { Here } from '../workspace';
import type { DestinationKind, Way } from './destination';
import { channel } from './kinds/channel';
import { folder } from './kinds/folder';
import { s3 } from './kinds/s3';
import { webdav } from './kinds/webdav';

const KINDS = [folder, webdav, s3, channel] as const;

const nameSchema = z.string().trim().min(1).max(60);
const shapeOf = <K extends (typeof KINDS)[number]>({ kind, settings }: K) =>
  settings.extend({ kind: z.literal(kind), name: nameSchema });

const fileSchema = z.strictObject({
  destinations: z
    .array(z.discriminatedUnion('kind', KINDS.map(shapeOf) as never))
    .max(50)
    .refine((all: readonly { name: string }[]) => new Set(all.map(({ name }) => name)).size === all.length, {
      error: 'two destinations have the same name',
    }),
});

type Settings = { readonly name: string; readonly kind: (typeof KINDS)[number]['kind'] };

/** A destination as pages know it. */
export type DestinationWords = { readonly name: string; readonly label: string; readonly address: string };

/** @throws WobrelError `destinations-invalid` with the path at fault */
async function allSettings(here: Pick<Here, 'files'>): Promise<readonly Settings[]> {
  const text = await readFile(here.files.destinations(), 'utf8').catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT') return null;
    throw new WobrelError('destinations-invalid', 'destinations.json can’t be read.');
  });
  if (text === null) return [];
  const read = fileSchema.safeParse(parsed(text), { error: inWords });
  if (read.success) return read.data.destinations;
  const { at, message } = faultOf(read.error);
  throw new WobrelError('destinations-invalid', `destinations.json${at && `, ${at}`}: ${message}`, at || null);
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new WobrelError('destinations-invalid', 'destinations.json is not JSON.');
  }
}

// The settings went through their own kind's schema.
const kindOf = ({ kind }: Settings) => KINDS.find((one) => one.kind === kind) as unknown as DestinationKind;

/** All destinations that the owner wrote down, in their order. @throws WobrelError `destinations-invalid` */
export async function listDestinations(here: Pick<Here, 'files'>): Promise<readonly DestinationWords[]> {
  return (await allSettings(here)).map((one) => {
    const { label, address } = kindOf(one);
    return { name: one.name, label, address: address(one) };
  });
}

/** @throws WobrelError `not-found`, or `destinations-invalid` */
export async function openDestination(here: Pick<Here, 'files'>, name: string): Promise<Way> {
  const found = (await allSettings(here)).find((one) => one.name === name);
  if (!found) throw new WobrelError('not-found', `There is no destination “${name}” any more.`);
  return kindOf(found).open(found);
}
