/** What a render thread makes of one photo: colour spaces, and files no larger than the photo. */
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { converter } from 'culori';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { NO_MEANS } from '../../core/checks';
import { hashBits, hashDistance } from '../../core/sight';
import { parseTemplate } from '../../core/template';
import { inspectPhoto } from '../intake';
import { lookAt } from '../looking';
import { lookOf } from './look';
import { plateCache } from './pool';
import { shareTemplate } from './shared-template';
import { plateTask, renderTask } from './task';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-task-'));

/** A photo of one colour whose numbers are those of Display P3. */
async function widePhoto(name: string, [r, g, b]: readonly [number, number, number], side = 240) {
  const path = join(folder, name);
  const raw = { width: side, height: side, channels: 3 } as const;
  const image = sharp(Buffer.from(Array.from({ length: side * side }, () => [r, g, b]).flat()), { raw });
  await image.pipelineColourspace('rgb16').toColourspace('srgb').withIccProfile('p3').png().toFile(path);
  return path;
}

async function renderedTask(fields: object, path: string, isLookedAt = false) {
  const template = parseTemplate({
    wobrel: 1,
    name: 'T',
    frame: { width: 120, height: 120 },
    shape: { kind: 'circle', box: { cx: 60, cy: 60, width: 120, height: 120 } },
    ...fields,
  });
  const shared = shareTemplate(template, null, NO_MEANS, {});
  const plates = plateCache({ plate: plateTask }, template, shared);
  const words = { photo: 'photo.png', batch: '', index: 1 };
  const targets = await Promise.all(
    template.outputs.map(async (output, i) => ({ output: i, plate: await plates.of(output), path: join(folder, `${Math.random()}-${i}`) })), // prettier-ignore
  );
  const facts = await inspectPhoto(path);
  const photos = [{ source: path, photo: { ...facts, name: 'photo.png', words } }];
  const widest = await plates.widest(isLookedAt);
  const made = await renderTask({ photos, words, template: shared, targets, widest, isLookedAt });
  return { ...made, paths: targets.map(({ path }) => path) };
}

async function rendered(fields: object, path: string) {
  const { files, paths } = await renderedTask(fields, path);
  return files.map((file, i) => ({ ...file, data: readFileSync(paths[i]!) }));
}

/** As a decoder has it that knows nothing of profiles. */
const pixel = (png: Buffer, x: number, y: number) => {
  const { data, width } = PNG.sync.read(png);
  return [...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 4)];
};

/** The colour in the numbers of sRGB, by culori: not held within them. */
const asSrgb = ([r, g, b]: readonly number[]) => {
  const seen = converter('rgb')({ mode: 'p3', r: r! / 255, g: g! / 255, b: b! / 255 });
  return [seen.r, seen.g, seen.b].map((v) => v * 255);
};

const border = { width: 10, align: 'inside', paint: '#ff8000' };

describe('Display P3', () => {
  // Far out of sRGB: a red and a green that it has not.
  test.each([
    ['red', [250, 20, 30]],
    ['green', [20, 240, 40]],
    ['grey', [120, 120, 120]],
  ] as const)('a %s photo keeps its numbers', async (name, colour) => {
    const path = await widePhoto(`${name}.png`, colour);
    const [wide, plain] = await rendered({ borders: [border], outputs: [{ name: 'wide', profile: 'display-p3' }, { name: 'plain' }] }, path); // prettier-ignore
    pixel(wide!.data, 60, 60).forEach((v, i) => expect(Math.abs(v - [...colour, 255][i]!)).toBeLessThanOrEqual(1));
    // The other output of the same photo is in sRGB, as near as that comes.
    const near = asSrgb(colour).map((v) => Math.max(0, Math.min(255, v)));
    near.forEach((v, i) => expect(Math.abs(pixel(plain!.data, 60, 60)[i]! - v)).toBeLessThanOrEqual(3));
    // The border is the same colour in both.
    asSrgb(pixel(wide!.data, 60, 5)).forEach((v, i) => expect(Math.abs(v - [255, 128, 0][i]!)).toBeLessThanOrEqual(1.5)); // prettier-ignore
    expect(pixel(plain!.data, 60, 5)).toEqual([255, 128, 0, 255]);
    const { icc } = await sharp(wide!.data).metadata();
    expect(Buffer.compare(icc!, (await sharp(path).metadata()).icc!)).toBe(0);
  });

  // What says nothing of its colours is sRGB, as everywhere.
  test.each(['none', 'srgb', 'cmyk'])('a photo in sRGB (profile: %s) is the same colour in it', async (profile) => {
    const path = join(folder, `plain-${profile}.tif`);
    const flat = sharp({ create: { width: 200, height: 200, channels: 3, background: '#a05030' } });
    await (profile === 'none' ? flat : flat.withIccProfile(profile)).toColourspace(profile === 'cmyk' ? 'cmyk' : 'srgb').tiff({ compression: 'lzw' }).toFile(path); // prettier-ignore
    const [wide, plain] = await rendered(
      { outputs: [{ name: 'wide', profile: 'display-p3' }, { name: 'plain' }] },
      path,
    );
    const [found, wanted] = [asSrgb(pixel(wide!.data, 60, 60)), pixel(plain!.data, 60, 60)];
    found.forEach((v, i) => expect(Math.abs(v - wanted[i]!)).toBeLessThanOrEqual(2));
  });

  test('alpha does not know of it, whatever the format; a GIF stays in sRGB', async () => {
    const path = await widePhoto('alpha.png', [250, 20, 30]);
    const formats = ['png', 'tiff', 'webp', 'avif', 'gif'].map((format) => ({ name: format, format, lossless: true, profile: 'display-p3' })); // prettier-ignore
    const files = await rendered({ shadows: [{ blur: 9 }], outputs: [{ name: 'plain' }, ...formats] }, path);
    const alphas = await Promise.all(files.map(({ data }) => sharp(data).extractChannel(3).raw().toBuffer()));
    for (const alpha of alphas.slice(0, 5)) expect(Buffer.compare(alpha, alphas[0]!)).toBe(0);
    const profiles = await Promise.all(files.map(async ({ data }) => (await sharp(data).metadata()).icc?.length ?? 0));
    expect(new Set(profiles.slice(1, 5)).size).toBe(1);
    expect(profiles[5]).toBe(0);
  });

  test('a matte, and what is taken from the photo, are the same colours in it', async () => {
    const path = await widePhoto('matte.png', [200, 60, 60]);
    const fields = { format: 'jpeg', matte: '#24594f', quality: 100, trim: { room: 10 } };
    const files = await rendered({ outputs: [{ name: 'a', ...fields }, { name: 'b', ...fields, profile: 'display-p3' }] }, path); // prettier-ignore
    const corners = await Promise.all(files.map(async ({ data }) => [...(await sharp(data, { ignoreIcc: true }).raw().toBuffer()).subarray(0, 3)])); // prettier-ignore
    corners[0]!.forEach((v, i) => expect(Math.abs(v - [0x24, 0x59, 0x4f][i]!)).toBeLessThanOrEqual(2));
    asSrgb(corners[1]!).forEach((v, i) => expect(Math.abs(v - [0x24, 0x59, 0x4f][i]!)).toBeLessThanOrEqual(3));
  });
});

describe('a photo that is not to be enlarged', () => {
  const outputs = [
    { name: 'whole', width: 360 },
    { name: 'own', width: 360, enlarge: false, profile: 'none' },
    { name: 'small', width: 60, enlarge: false },
  ];

  test('gives a smaller file where it is smaller, made for that size', async () => {
    const small = await widePhoto('small.png', [90, 90, 90], 100);
    const files = await rendered({ borders: [border], outputs }, small);
    // 100 photo pixels fill 120 frame units.
    expect(files.map(({ width, height }) => [width, height])).toEqual([[360, 360], [100, 100], [60, 60]]); // prettier-ignore
    const large = await widePhoto('large.png', [90, 90, 90], 700);
    const [, own] = await rendered({ borders: [border], outputs }, large);
    expect(own!.width).toBe(360);
    const [asked] = await rendered({ borders: [border], outputs: [{ width: 100 }] }, large);
    const alphaOf = (png: Buffer) => Buffer.from(PNG.sync.read(png).data.filter((_, i) => i % 4 === 3));
    expect(Buffer.compare(alphaOf(files[1]!.data), alphaOf(asked!.data))).toBe(0);
  });
});

test('what fails and should not is told of the one photo, and warned of with its own error', async () => {
  const template = parseTemplate({ wobrel: 1, name: 'T', frame: { width: 20, height: 20 } });
  const shared = shareTemplate(template, null, NO_MEANS, {});
  const plate = await plateTask({ template: shared, ...lookOf(template.outputs[0]!) });
  const path = await widePhoto('fails.png', [1, 2, 3]);
  const words = { photo: 'fails.png', batch: '', index: 1 };
  const photos = [{ source: path, photo: { ...(await inspectPhoto(path)), name: 'fails.png', words } }];
  const warned = jest.spyOn(process, 'emitWarning').mockImplementation(() => {});
  const broken = { ...plate, blank: plate.blank.subarray(4) };
  const target = { output: 0, plate: broken, path: join(folder, 'fails') };
  const made = renderTask({ photos, words, template: shared, targets: [target], widest: null }, () => new Uint8ClampedArray(4)); // prettier-ignore
  await expect(made).rejects.toMatchObject({ code: 'photo-failed', message: expect.stringMatching(/^It could not be made: .+\.$/) }); // prettier-ignore
  expect(warned.mock.calls.map(([error]) => error)).toEqual([expect.any(RangeError)]);
  warned.mockRestore();
  expect(existsSync(target.path)).toBe(false);
});

test('a template that can’t be compiled, and should, is told of each photo that wants it', async () => {
  const warned = jest.spyOn(process, 'emitWarning').mockImplementation(() => {});
  const cut = { key: 'cut short', bytes: new TextEncoder().encode('{"template":') };
  const plates = plateCache({ plate: plateTask }, parseTemplate({ wobrel: 1, name: 'T' }), cut);
  const [output] = parseTemplate({ wobrel: 1, name: 'T' }).outputs;
  for (let photo = 0; photo < 2; photo++)
    await expect(plates.of(output!)).rejects.toMatchObject({ code: 'template-failed', message: expect.stringMatching(/^The template could not be drawn: .+\.$/) }); // prettier-ignore
  // Compiled once, for all of them.
  expect(warned).toHaveBeenCalledTimes(1);
  warned.mockRestore();
});

describe('a photo that is looked at on the way shows what its file does', () => {
  const MUG = 'demo/photos/products/celadon-mug-01.jpg';

  test.each([
    ['decoded for several widths', { outputs: [{ width: 400 }, { width: 200 }] }],
    ['decoded for one', { outputs: [{ width: 400 }] }],
    ['mirrored, and turned', { outputs: [{ width: 400 }], centring: { mirror: true, angle: 20 } }],
    ['smaller than it can be seen', { outputs: [{ width: 40 }] }],
  ])('%s', async (_, fields) => {
    const { sight } = await renderedTask(fields, MUG, true);
    const file = await lookAt(MUG, false);
    // A bit turns where two neighbours are about as light.
    expect(hashDistance(hashBits(sight!.hash), hashBits(file.hash))).toBeLessThanOrEqual(2);
    expect(sight!.brightness).toBeCloseTo(file.brightness, 2);
    // A JPEG read at an eighth is a little softer than one read at half its size.
    expect(Math.abs(Math.log(sight!.sharpness / file.sharpness))).toBeLessThan(0.15);
    expect(sight!.subject?.box ?? null).toEqual(file.subject?.box ?? null);
  });

  test('and one that is not, nothing', async () => {
    expect((await renderedTask({}, MUG)).sight).toBeNull();
  });
});
