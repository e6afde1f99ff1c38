/** Outputs in words, and those to come. */
import { parseTemplate, pictureOf, timesSize, widthFor, type Output, type Template } from '@/core/template';

/** In the order in which they are offered. */
export const FORMATS = {
  png: 'PNG',
  webp: 'WebP',
  jpeg: 'JPEG',
  avif: 'AVIF',
  tiff: 'TIFF',
  gif: 'GIF',
  ora: 'OpenRaster',
} as const satisfies Readonly<Record<Output['format'], string>>;

/** Those that come by themselves as outputs are added. */
const USUAL = ['png', 'webp', 'jpeg'] as const;

export const outputWords = ({ width, format, trim, maxKB }: Output): string =>
  `${width} px ${FORMATS[format]}${maxKB === null ? '' : `, at most ${maxKB} KB`}${trim ? ', trimmed' : ''}`;

/** Fields for a format; the one without transparency needs a colour behind it. */
export const asFormat = (format: Output['format'], { matte }: Output): Pick<Output, 'format' | 'matte'> => ({
  format,
  matte: format === 'jpeg' ? (matte ?? '#ffffff') : null,
});

/** A name that no other output has. */
function freeName(outputs: readonly Output[], name: string): string {
  for (let n = 1; ; n++) {
    const candidate = n === 1 ? name : `${name}-${n}`;
    if (outputs.every((output) => output.name !== candidate)) return candidate;
  }
}

/** Pixels a CSS pixel that screens commonly have. */
const DENSITIES = [2, 3] as const;
const denserName = ({ name }: Output, n: number) => `${name}@${n}x`;

/** True where one of an output's denser ones is missing. */
export const lacksDenser = (outputs: readonly Output[], output: Output): boolean =>
  DENSITIES.some((n) => outputs.every(({ name }) => name !== denserName(output, n)));

function isPossible(template: Template): boolean {
  try {
    return parseTemplate(template).outputs.length > 0;
  } catch {
    return false;
  }
}

/** All outputs, and the same as one of them for denser screens, called after their density; what is there or would be too large is left out. */
export function withDenser(template: Template, output: Output): readonly Output[] {
  const picture = pictureOf(template);
  return DENSITIES.reduce<readonly Output[]>((outputs, n) => {
    const name = denserName(output, n);
    if (outputs.some((other) => other.name === name)) return outputs;
    const size = timesSize(output.size, n);
    const width = size === null ? output.width * n : widthFor(size, picture);
    const file = output.file.includes('{output}') ? output.file : `${output.file}@${n}x`;
    const more = [...outputs, { ...output, name, size, width, file }];
    return isPossible({ ...template, outputs: more }) ? more : outputs;
  }, template.outputs);
}

/** One more output like the last one, in the first format that isn't there in its size; where all are, half as large. */
export function nextOutput({ outputs }: Pick<Template, 'outputs'>): Output {
  const last = outputs[outputs.length - 1]!;
  const free = USUAL.find(
    (format) => !outputs.some((output) => output.format === format && output.width === last.width),
  );
  if (free) return { ...last, ...asFormat(free, last), name: freeName(outputs, free) };
  return {
    ...last,
    name: freeName(outputs, `${last.name}-half`),
    size: null,
    width: Math.max(1, Math.round(last.width / 2)),
  };
}
