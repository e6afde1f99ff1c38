/** @jest-environment jsdom */
import { render } from '@testing-library/react';
import { placer, spotOf } from '@/core/placement';
import { parseTemplate, photoOutline } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { EaselRoom } from './easel-room';

const template = parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'subject' } });
const subject = { box: [0.25, 0.25, 0.5, 0.5], centroid: [0.5, 0.5], area: 0.2, confidence: 0.9, mask: '', count: 1 };
const photo = { id: 1, name: 'a.jpg', sha256: 'a', width: 2000, height: 1000, sight: { faces: [], subject } } as unknown as PhotoRow; // prettier-ignore

const drawn = (again: readonly [number, number, number, number] | null) =>
  render(
    <EaselRoom
      ref={null}
      template={template}
      outline={photoOutline(template)}
      photo={photo}
      placed={placer(template)(photo)}
      spot={spotOf(template)}
      view={[0, 0, 1080, 1080]}
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
