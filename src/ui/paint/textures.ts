/** Textures as they are first laid. */
import { linePaintSchema, type TexturePaint } from '@/core/paint';
import { TEXTURES, type TextureKind } from '@/core/texture';

const rounded = (v: number) => Number(v.toPrecision(3));

/** A texture of another kind in the same colours, as large as suits a frame whose shorter side is so long. */
export function anotherTexture(
  { stops, seed }: Pick<TexturePaint, 'stops' | 'seed'>,
  kind: TextureKind,
  side: number,
  isLine: boolean,
): TexturePaint {
  const { size, runs } = TEXTURES[kind] as { readonly size: number; readonly runs?: boolean };
  const lies = isLine && runs ? 'along' : 'flat';
  return linePaintSchema.parse({ kind: 'texture', of: { kind }, seed, size: rounded(size * side), lies, stops }) as TexturePaint; // prettier-ignore
}
