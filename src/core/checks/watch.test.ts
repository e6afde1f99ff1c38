import fc from 'fast-check';
import { parseTemplate, type Template } from '../template';
import { checker } from './checker';
import { meansOf } from './means';
import { twinsOf } from './twins';
import { watchFindings, type FindingsChange, type WatchedPhoto } from './watch';

const sightOf = (x: number, sharpness: number, hash: number) => ({
  version: 1,
  faces: [],
  subject: { box: [x, 0.3, 0.3, 0.4] as [number, number, number, number], centroid: [x + 0.15, 0.5] as [number, number], area: 0.1, confidence: 0.9, mask: '', count: 1 },
  ground: { colour: '#cccccc', plain: 1 },
  sharpness,
  contrast: 100,
  brightness: (sharpness % 90) / 100,
  hash: hash.toString(16).padStart(16, '0'),
}); // prettier-ignore
const photo = (id: number): WatchedPhoto => ({ id, name: `${id}.jpg`, width: 900 + id, height: 700, hasAlpha: false, review: 'open', sight: sightOf(0.1 + (id % 5) / 10, 20 + 7 * id, (id % 6) * 977) }); // prettier-ignore
const templates: readonly Template[] = [0.5, 0.7].flatMap(
  (size) =>
  [0, 6].map((twins) => parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'subject', size, gap: 'leave' }, limits: { twins }, outputs: [{}, { name: 'm', format: 'jpeg', width: 400 }] })), // prettier-ignore
);

/** Everything worked out at once: the long way to the same findings. */
function allOf(template: Template, photos: readonly WatchedPhoto[]) {
  const taken = photos.filter(({ review }) => review !== 'out');
  const twins = new Map(twinsOf(taken, template.limits.twins).map((twin, i) => [taken[i]!.id, twin]));
  const { check } = checker(template, meansOf(template, taken));
  return new Map(
    photos.map((one) => [one.id, one.review === 'out' ? [] : check({ ...one, twin: twins.get(one.id) ?? null }).filter((f) => f.about === 'photo')]), // prettier-ignore
  );
}

/** What the changes so far add up to. */
function kept() {
  const findings = new Map<number, FindingsChange['photos'][number]['findings']>();
  return {
    findings,
    take: ({ photos }: FindingsChange, there: readonly WatchedPhoto[]) => {
      for (const { id, findings: list } of photos) findings.set(id, list);
      const ids = new Set(there.map(({ id }) => id));
      for (const id of findings.keys()) if (!ids.has(id)) findings.delete(id);
    },
  };
}

type Change = { readonly kind: 'move' | 'review' | 'template' | 'add' | 'remove' | 'see' | 'colour'; readonly at: number; readonly by: number }; // prettier-ignore
const change: fc.Arbitrary<Change> = fc.record({
  kind: fc.constantFrom('move', 'review', 'template', 'add', 'remove', 'see', 'colour'),
  at: fc.nat(30),
  by: fc.nat(40),
});

function changed(photos: readonly WatchedPhoto[], { kind, at, by }: Change): readonly WatchedPhoto[] {
  const i = at % Math.max(photos.length, 1);
  const replaced = (fields: Partial<WatchedPhoto>) => photos.map((one, k) => (k === i ? { ...one, ...fields } : one));
  if (kind === 'move') return replaced({ adjustment: { x: by / 100, y: 0, scale: 1, angle: 0 } });
  if (kind === 'review') return replaced({ review: (['open', 'good', 'out'] as const)[by % 3]! });
  if (kind === 'see') return replaced({ sight: sightOf(0.2, 5 * by, by * 3) });
  // Colours alone, as a newer finder sees them: of the same light and dark, it is another thing.
  if (kind === 'colour') return photos.map((one, k) => (k === i && one.sight ? { ...one, sight: { ...one.sight, cells: (by % 2 ? '5a8080' : '5ab080').repeat(64) } } : one)); // prettier-ignore
  if (kind === 'remove') return photos.filter((_, k) => k !== i);
  if (kind === 'add') return photos.some(({ id }) => id === 100 + by) ? photos : [...photos, photo(100 + by)];
  return photos;
}

test('whatever changes, and in whatever order, what is told adds up to what checking everything anew finds', () => {
  fc.assert(
    fc.property(fc.array(change, { minLength: 1, maxLength: 12 }), (changes) => {
      let photos: readonly WatchedPhoto[] = Array.from({ length: 8 }, (_, i) => photo(i));
      let template = templates[0]!;
      const watch = watchFindings(template);
      const sum = kept();
      watch.usePhotos(photos, photos.map(({ id }) => id)); // prettier-ignore
      sum.take(watch.changes(), photos);
      for (const one of changes) {
        const before = new Set(photos);
        if (one.kind === 'template') template = templates[one.by % templates.length]!;
        photos = changed(photos, one);
        watch.useTemplate(template);
        watch.usePhotos(photos.filter((p) => !before.has(p)), photos.map(({ id }) => id)); // prettier-ignore
        sum.take(watch.changes(), photos);
        expect(sum.findings).toEqual(allOf(template, photos));
      }
    }),
    { numRuns: 30 },
  );
});

test('one nudge tells of one photo, as long as it does not move the batch’s medians', () => {
  const photos = Array.from({ length: 9 }, (_, i) => photo(i));
  const order = photos.map(({ id }) => id);
  const watch = watchFindings(templates[0]!);
  watch.usePhotos(photos, order);
  expect(watch.changes().photos).toHaveLength(9);
  expect(watch.changes().photos).toEqual([]);
  watch.usePhotos([{ ...photos[4]!, adjustment: { x: 0.2, y: 0, scale: 1, angle: 0 } }], order);
  expect(watch.changes().photos.map(({ id }) => id)).toEqual([4]);
});

test('a photo that is seen in other colours is compared anew', () => {
  const seen = (id: number, cells: string): WatchedPhoto => ({ ...photo(id), sight: { ...sightOf(0.2, 90, 77), cells: cells.repeat(64) } }); // prettier-ignore
  const watch = watchFindings(templates[1]!);
  const twinOf = () =>
    watch
      .changes()
      .photos.find(({ id }) => id === 2)!
      .findings.find(({ check }) => check === 'twin');
  watch.usePhotos([seen(1, '5a8080'), seen(2, '5a8080')], [1, 2]);
  expect(twinOf()).toBeDefined();
  watch.usePhotos([seen(2, '5ab080')], [1, 2]);
  expect(twinOf()).toBeUndefined();
});

test('doubles are found as comparing each with each finds them', () => {
  const hash = fc.tuple(fc.nat(0xffff), fc.nat(3)).map(([bits, more]) => (BigInt(bits) * 65_537n + (BigInt(more) << 40n)).toString(16).padStart(16, '0')); // prettier-ignore
  const bitsOf = (a: string, b: string) => [...(BigInt(`0x${a}`) ^ BigInt(`0x${b}`)).toString(2)].filter((c) => c === '1').length; // prettier-ignore
  fc.assert(
    fc.property(fc.array(hash, { maxLength: 30 }), fc.nat(32), (hashes, bits) => {
      const photos = hashes.map((h, i) => ({ ...photo(i), sight: { ...sightOf(0.2, 9, 0), hash: h } }));
      const slow = hashes.map((h, i) => {
        if (/^0+$/.test(h)) return null;
        const first = hashes.findIndex((other, k) => k < i && !/^0+$/.test(other) && bitsOf(h, other) <= bits);
        return first < 0 ? null : { name: photos[first]!.name, bits: bitsOf(h, hashes[first]!) };
      });
      expect(twinsOf(photos, bits)).toEqual(slow);
    }),
    { numRuns: 200 },
  );
});
