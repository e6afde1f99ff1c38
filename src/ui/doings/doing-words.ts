import type { Doing } from '@/server/services';
import { plural } from '../shared/words';

type Kind = Doing['kind'];

const KIND: Readonly<Record<Kind, string>> = {
  batch: 'the batch',
  template: 'the template',
  shape: 'the shape',
  framing: 'the framing',
  picture: 'the picture',
  delivery: 'a delivery of',
  upload: 'an upload to',
  person: '',
  token: 'the token',
  workspace: 'the workspace',
};

/** What somebody did, after their name. */
const VERB: Readonly<Record<Doing['verb'], (doing: Doing) => string>> = {
  made: ({ kind }) => (kind === 'upload' ? 'began' : kind === 'person' || kind === 'picture' ? 'added' : 'made'),
  renamed: () => 'renamed',
  changed: () => 'changed',
  deleted: () => 'deleted',
  worked: () => 'worked at the look of',
  'added-photos': ({ times }) => `added ${plural(times, 'photo')} to`,
  'changed-photos': ({ times }) => `changed ${plural(times, 'photo')} in`,
  'removed-photos': ({ times }) => `took ${plural(times, 'photo')} out of`,
  applied: () => 'put a saved template on',
  'saved-version': () => 'saved',
  exported: () => 'exported',
  cancelled: () => 'cancelled',
  resumed: () => 'took up again',
  'turned-on': () => 'turned on',
  'gave-role': () => 'gave another role to',
  'gave-link': () => 'made a link for a password of',
  'signed-out': () => 'signed out',
  removed: () => 'removed',
};

/** Verbs that say by themselves what they are about. */
const WITHOUT_KIND = new Set<Doing['verb']>(['turned-on', 'exported']);

/** A change in words, without who made it. */
export function doingWords(doing: Doing): { readonly before: string; readonly name: string; readonly after: string } {
  const { verb, kind, name, words } = doing;
  const about = WITHOUT_KIND.has(verb) ? '' : KIND[kind];
  const before = [VERB[verb](doing), about].filter(Boolean).join(' ');
  const said = words === null || words === '' ? '' : verb === 'renamed' ? `, before: ${words}` : `: ${words}`;
  return { before, name, after: said };
}

/** Where what was changed can be looked at; null where it can't. */
export function placeOf({ verb, kind, subject }: Doing): string | null {
  if (subject === null || verb === 'deleted') return null;
  const pages: Partial<Record<Kind, string>> = { batch: 'batches', template: 'templates', delivery: 'deliveries' };
  return pages[kind] ? `/${pages[kind]}/${subject}` : null;
}
