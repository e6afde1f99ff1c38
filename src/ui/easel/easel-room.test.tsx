/** @jest-environment jsdom */
import { render } from '@testing-library/react';
import { placer, spotOf } from '@/core/placement';
import { parseTemplate, photoOutline } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { EaselRoom } from './easel-room';

const template = parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'subject' } });
const subject = { box: [0.25, 0.25, 0.5, 0.5], centroid: [0.5, 0.5], area: 0.2, confidence: 0.9, mask: '', count: 1 };
const photo = { id: 1, name: 'a.jpg', sha256: 'a', width: 2000, height: 1000, sight: { faces: [], subject } } as unknown as PhotoRow; // prettier-ignore

type Box = readonly [number, number, number, number];
type Shown = { readonly template: typeof template; readonly photo: PhotoRow; readonly view: Box };

const drawn = (
  again: Box | null,
  { template: own, photo: one, view }: Shown = { template, photo, view: [0, 0, 1080, 1080] },
) =>
  render(
    <EaselRoom
      ref={null}
      template={own}
      outline={photoOutline(own)}
      photo={one}
      placed={placer(own)(one)}
      spot={spotOf(own)}
      view={view}
      tool="photo"
      caught={false}
      boxing={null}
      again={again}
      handlers={{}}
    />,
  ).container;

const placeOf = (box: Element | null) => box && ['x', 'y', 'width', 'height'].map((name) => Number(box.getAttribute(name))); // prettier-ignore

test('where two looks disagree both boxes lie on the photo, each in pixels of it, moved with it', () => {
  const room = drawn([0.3, 0.2, 0.6, 0.5]);
  const [first, again] = [room.querySelector('rect.easel-subject'), room.querySelector('rect.easel-again')];
  expect(placeOf(first)).toEqual([500, 250, 1000, 500]);
  expect(placeOf(again)).toEqual([600, 200, 1200, 500]);
  expect(again!.getAttribute('transform')).toBe(room.querySelector('image')!.getAttribute('transform'));
});

test('where they agree the first one is drawn alone', () => {
  const room = drawn(null);
  expect(room.querySelectorAll('rect.easel-subject')).toHaveLength(1);
  expect(room.querySelector('.easel-again')).toBeNull();
});

test('eyes and the subject’s middle are marked as large in a frame of inches as in one of pixels', () => {
  const eyes = [[0.4, 0.4], [0.6, 0.4]]; // prettier-ignore
  const face = { ...photo, sight: { faces: [{ box: [0.3, 0.2, 0.4, 0.6], eyes, score: 0.9 }], subject } } as unknown as PhotoRow; // prettier-ignore
  const shares = [
    { width: 2, height: 2, unit: 'in', ppi: 300 },
    { width: 1080, height: 1080 },
  ].map((frame) => {
    const own = parseTemplate({ wobrel: 1, name: 'T', frame, centring: { rule: 'subject' } });
    const room = drawn(null, { template: own, photo: face, view: [0, 0, frame.width, frame.height] });
    const radius = (name: string) => Number(room.querySelector(name)!.getAttribute('r')) / frame.width;
    return [radius('.easel-dot'), radius('.easel-eyes circle') * placer(own)(face).scale];
  });
  expect(shares[0]).toEqual(shares[1]!.map((r) => expect.closeTo(r, 9) as number));
});
