/** Every route, tried by every role and by nobody; one that is not in the table fails. */
import { everyRole, peopleFolder } from '@/server/people/testing';
import { stop } from '@/server/services';
import { ROLES, type Role } from '@/server/workspace';
import { ask, FILES, METHODS, type Method } from './testing';

peopleFolder();
afterAll(stop);

const DOCUMENT = { wobrel: 1, name: 'Tile' };
const shape = { name: 'Tile', shape: { kind: 'circle' } };
const upload = { destination: 'shop' };

type Least = Role | 'anyone';
type Try = readonly [least: Least, body?: unknown, query?: string];

/** Who may, at least; with what is asked so well that nothing else is in the way. */
const TABLE: Readonly<Record<string, Try>> = {
  'GET line': ['anyone'],
  'GET session': ['anyone'],
  'POST session': ['anyone', { email: 'x', password: 'x' }],
  'PATCH session': ['anyone', { workspace: 9 }],
  'DELETE session': ['anyone'],
  'DELETE session/others': ['anyone'],
  'POST password': ['anyone', { token: 'x', password: 'a long enough one' }],
  'PUT password': ['anyone', { old: 'x', password: 'a long enough one' }],
  'POST people/first': ['anyone', { name: 'x', email: 'x@example.org', password: 'a long enough one' }],

  'GET [...path]': ['viewer'],
  'POST [...path]': ['viewer'],
  'PUT [...path]': ['viewer'],
  'PATCH [...path]': ['viewer'],
  'DELETE [...path]': ['viewer'],
  'GET batches': ['viewer'],
  'GET batches/[id]': ['viewer'],
  'GET batches/[id]/deliveries': ['viewer'],
  'GET batches/[id]/events': ['viewer', undefined, '?window=w'],
  'GET batches/[id]/deliveries/changes': ['viewer'],
  'GET batches/[id]/photo-metadata': ['viewer'],
  'GET batches/[id]/photos': ['viewer'],
  'GET batches/[id]/trial': ['viewer'],
  'GET batches/[id]/trial/loss': ['viewer'],
  'GET deliveries': ['viewer'],
  'GET deliveries/[id]': ['viewer'],
  'GET deliveries/[id]/against/[other]': ['viewer'],
  'GET deliveries/[id]/events': ['viewer'],
  'GET deliveries/[id]/files': ['viewer'],
  'GET deliveries/[id]/files/[file]': ['viewer'],
  'GET deliveries/[id]/html': ['viewer'],
  'GET deliveries/[id]/pages': ['viewer', undefined, '?output=tile&width=40'],
  'GET deliveries/[id]/svg': ['viewer'],
  'GET deliveries/[id]/uploads': ['viewer'],
  'GET deliveries/[id]/zip': ['viewer'],
  'GET demo': ['viewer'],
  'GET demo/[name]': ['viewer'],
  'GET destinations': ['viewer'],
  'GET doings': ['viewer'],
  'GET help/pictures/[name]': ['viewer'],
  'GET photos/[sum]/proxy/[size]': ['viewer'],
  'GET photos/proxies/[size]': ['viewer', undefined, `?of=${'a'.repeat(64)}`],
  'GET pictures': ['viewer'],
  'GET pictures/[sum]': ['viewer'],
  'GET framings': ['viewer'],
  'GET shapes': ['viewer'],
  'GET storage': ['viewer'],
  'GET templates': ['viewer'],
  'GET templates/[id]': ['viewer'],
  'GET templates/[id]/events': ['viewer', undefined, '?window=w'],
  'POST templates/read': ['viewer', { template: DOCUMENT }],
  'GET uploads/[id]': ['viewer'],

  'POST batches': ['artist', { name: 'Shelf' }],
  'PATCH batches/[id]': ['artist', { name: 'Shelf' }],
  'DELETE batches/[id]': ['artist'],
  'POST batches/[id]/deliveries': ['artist', {}],
  'PUT batches/[id]/draft': ['artist', { template: DOCUMENT, revision: 0 }],
  'PUT batches/[id]/fields': ['artist', { fields: ['title'] }],
  'POST batches/[id]/photos': ['artist'],
  'PATCH batches/[id]/photos': ['artist', { changes: [{ id: 1, review: 'good' }] }],
  'POST batches/[id]/alike': ['artist', { photo: 1 }],
  'DELETE batches/[id]/photos': ['artist', { ids: [1] }],
  'DELETE batches/[id]/refusals': ['artist'],
  'PUT batches/[id]/template': ['artist', { templateId: 1, revision: 0 }],
  'DELETE deliveries/[id]': ['artist'],
  'POST deliveries/[id]/again': ['artist'],
  'POST deliveries/[id]/cancel': ['artist'],
  'POST deliveries/[id]/resume': ['artist'],
  'POST deliveries/[id]/uploads': ['artist', upload],
  'POST deliveries/[id]/uploads/forecast': ['artist', upload],
  'POST photos/[sum]/outline': ['artist', { from: null, told: [] }],
  'POST pictures': ['artist'],
  'DELETE storage': ['artist'],
  'POST uploads/[id]/cancel': ['artist'],
  'POST uploads/[id]/resume': ['artist'],

  'POST batches/[id]/template': ['maker', { name: 'Tile', revision: 0 }],
  'DELETE pictures/[sum]': ['maker'],
  'POST framings': ['maker', { name: 'F', framing: {} }],
  'DELETE framings/[id]': ['maker'],
  'POST shapes': ['maker', shape],
  'PUT shapes/[id]': ['maker', shape],
  'DELETE shapes/[id]': ['maker'],
  'POST templates': ['maker', { template: DOCUMENT }],
  'PATCH templates/[id]': ['maker', { tags: ['x'] }],
  'DELETE templates/[id]': ['maker'],
  'POST templates/[id]/versions': ['maker', { version: 1 }],

  'GET outbox': ['owner'],
  'GET people': ['owner'],
  'POST people': ['owner', { name: 'Ben', email: 'ben@example.org', role: 'artist' }],
  'PATCH people/[id]': ['owner', { role: 'maker' }],
  'DELETE people/[id]': ['owner'],
  'POST people/[id]/link': ['owner'],
  'DELETE people/[id]/sessions': ['owner'],
  'GET tokens': ['owner'],
  'POST tokens': ['owner', { name: 'Nightly', role: 'artist', days: 30 }],
  'DELETE tokens/[id]': ['owner'],
  'POST workspaces': ['owner', { name: 'Annexe' }],
  'PATCH workspaces': ['owner', { name: 'Studio' }],
};

let people: Readonly<Record<Role, Headers>>;
beforeAll(async () => {
  people = await everyRole();
});

test('every method of every route is in the table, and nothing else', async () => {
  const all = FILES.flatMap((path) => METHODS.map((method) => [method, path] as const));
  const there = [];
  for (const [method, path] of all)
    if ((await ask(null, method, path, { body: {} })).status !== 405) there.push(`${method} ${path}`);
  expect(there.sort()).toEqual(Object.keys(TABLE).sort());
});

describe.each(Object.entries(TABLE))('%s', (name, row) => {
  const [method, path] = name.split(' ') as [Method, string];
  const [least, body, query] = row;
  const sent = { body, query };

  test(`is for ${least}`, async () => {
    const nobody = await ask(null, method, path, sent);
    if (least === 'anyone') return expect(nobody.error).not.toBe('not-allowed');
    expect(nobody).toMatchObject({ status: 401, error: 'signed-out' });
    for (const role of ROLES) {
      const { status, error } = await ask(people[role], method, path, sent);
      const isAllowed = ROLES.indexOf(role) >= ROLES.indexOf(least);
      if (isAllowed) expect([role, [401, 403, 500].includes(status)]).toEqual([role, false]);
      else expect([role, status, error]).toEqual([role, 403, 'not-allowed']);
    }
  });
});
