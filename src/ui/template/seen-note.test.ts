import { seenKinds } from '@/core/placement';
import { rulesFor, seenWords } from './seen-note';

const face = (score: number, high: number) => ({ box: [0.3, 0.2, 0.2, high], eyes: [[0.35, 0.3], [0.45, 0.3]], score }); // prettier-ignore
const photo = (fields: object) =>
  ({
    width: 900,
    height: 600,
    sight: { faces: [], subject: null, ...fields },
  }) as unknown as Parameters<typeof seenKinds>[0][number];
const subject = (confidence: number) => ({ subject: { box: [0.2, 0.2, 0.4, 0.4], area: 0.1, confidence, count: 1 } });

test('photos are told by what they would be centred by', () => {
  const photos = [
    photo({ faces: [face(0.95, 0.4)], ...subject(0.9) }),
    // A face that is not clear, and one on a poster far away.
    photo({ faces: [face(0.6, 0.4)], ...subject(0.8) }),
    photo({ faces: [face(0.95, 0.05)], ...subject(0.7) }),
    photo(subject(0.3)),
    photo(subject(0.1)),
    photo({}),
  ];
  const kinds = seenKinds(photos, 0.45);
  expect(kinds).toEqual({ faces: 1, subjects: 2, unsure: 1, nothing: 2 });
  expect(seenWords(kinds)).toBe('Seen: 1 face, 2 subjects, 1 not sure, 2 with neither.');
});

test.each([
  [{ faces: 4, subjects: 0, unsure: 0, nothing: 0 }, ['face']],
  [{ faces: 0, subjects: 3, unsure: 1, nothing: 1 }, ['subject']],
  [{ faces: 14, subjects: 2, unsure: 1, nothing: 0 }, ['auto', 'face']],
  [{ faces: 2, subjects: 9, unsure: 1, nothing: 0 }, ['auto', 'subject']],
  [{ faces: 0, subjects: 0, unsure: 0, nothing: 3 }, []],
])('of %j these rules make sense: %j', (kinds, rules) => {
  expect(rulesFor(kinds).map(([rule]) => rule)).toEqual(rules);
});
