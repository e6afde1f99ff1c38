import { DOMParser } from '@xmldom/xmldom';
import { inFrame } from '../placement';
import { cutoutSvg } from './svg';

const square = [{ start: [10, 20] as const, cubics: [] }];
const CUTOUT = {
  picture: { left: -5, top: -5, width: 110, height: 90 },
  outline: square as never,
  placement: { scale: 0.25, angle: 30, x: 60, y: 40, mirror: false },
  photo: { width: 400, height: 200 },
  href: 'data:image/jpeg;base64,AAAA',
  title: 'A & "B"',
  alt: '<none>',
};

function read(fields: Partial<typeof CUTOUT> = {}) {
  const root = new DOMParser().parseFromString(cutoutSvg({ ...CUTOUT, ...fields }), 'image/svg+xml').documentElement!;
  const one = (name: string) => root.getElementsByTagName(name)[0]!;
  return { root, one };
}

/** Where a transform list takes a point: SVG 2 §8.6 and CSS Transforms 1 §12, the last one first. */
function taken(transform: string, [x, y]: readonly [number, number]): [number, number] {
  const steps = [...transform.matchAll(/(\w+)\(([^)]*)\)/g)].map(([, name, values]) => [name!, values!.split(' ').map(Number)] as const); // prettier-ignore
  return steps.reduceRight<[number, number]>(
    ([px, py], [name, [a = 0, b = 0]]) => {
      if (name === 'translate') return [px + a, py + b];
      if (name === 'scale') return [px * a, py * b];
      const t = (a * Math.PI) / 180;
      return [px * Math.cos(t) - py * Math.sin(t), px * Math.sin(t) + py * Math.cos(t)];
    },
    [x, y],
  );
}

test('it has the size of the picture, its words, and its shape as what clips', () => {
  const { root, one } = read();
  expect(['width', 'height', 'viewBox'].map((name) => root.getAttribute(name))).toEqual(['110', '90', '-5 -5 110 90']);
  expect([one('title').textContent, one('desc').textContent]).toEqual(['A & "B"', '<none>']);
  expect(one('clipPath').getAttribute('id')).toBe('shape');
  expect(one('g').getAttribute('clip-path')).toBe('url(#shape)');
  expect(one('image').getAttribute('href')).toBe(CUTOUT.href);
});

test.each([false, true])(
  'every corner of the photo comes to lie where its placement puts it (mirrored: %s)',
  (mirror) => {
    const placement = { ...CUTOUT.placement, mirror };
    const image = read({ placement }).one('image');
    const [x, y, w, h] = ['x', 'y', 'width', 'height'].map((name) => Number(image.getAttribute(name))) as [number, number, number, number]; // prettier-ignore
    for (const [u, v] of [
      [0, 0],
      [1, 0],
      [0, 1],
      [1, 1],
    ] as const) {
      const wanted = inFrame(placement, CUTOUT.photo, [u * w, v * h]);
      taken(image.getAttribute('transform')!, [x + u * w, y + v * h]).forEach((value, i) => expect(value).toBeCloseTo(wanted[i]!, 3)); // prettier-ignore
    }
  },
);
