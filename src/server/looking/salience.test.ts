import { execFileSync } from 'node:child_process';

type Apart = { readonly path: string; readonly mean: number; readonly pixels: number; readonly same: number };

const PHOTOS = ['astronaut.jpg', 'scenes/scene-244-oatmeal-jug.jpg', 'scenes/scene-331-white-mug.jpg'].map((name) => `test-photos/${name}`); // prettier-ignore

// In a process of its own: ONNX Runtime takes no arrays that are made in Jest's.
test('what stands out by the network in whole numbers is what stands out by the same in floats', () => {
  const apart = JSON.parse(execFileSync('node', ['scripts/salience-apart.mjs', ...PHOTOS], { encoding: 'utf8' })) as Apart[]; // prettier-ignore
  expect(apart.map(({ path }) => path)).toEqual(PHOTOS);
  for (const { mean, pixels, same } of apart) {
    expect(mean).toBeLessThan(0.005);
    expect(pixels).toBeGreaterThan(1000);
    expect(same).toBeGreaterThan(0.98);
  }
});
