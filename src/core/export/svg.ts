/** A cutout as vectors: the photo whole, clipped by the shape (SVG 2, CSS Masking 1 §5). */
import { inXml } from '../metadata';
import type { Placement, Size } from '../placement';
import { pathData, type Outline } from '../shape';
import type { Frame } from '../template';

type SvgCutout = {
  /** The picture in frame units. */
  readonly picture: Pick<Frame, 'width' | 'height'> & { readonly left: number; readonly top: number };
  /** In frame units. */
  readonly outline: Outline;
  readonly placement: Placement;
  /** Pixels of the upright photo, whatever the embedded picture has. */
  readonly photo: Size;
  /** The photo as an address, such as a data URL. */
  readonly href: string;
  /** What it is called, and what it shows; empty for nothing. */
  readonly title: string;
  readonly alt: string;
};

const DIGITS = 6;
const number = (v: number) => String(Number(v.toFixed(DIGITS)));

/** Only shape and photo: what is drawn on, around and below them is not in it. */
export function cutoutSvg({ picture, outline, placement, photo, href, title, alt }: SvgCutout): string {
  const { left, top, width, height } = picture;
  const { x, y, angle, scale, mirror } = placement;
  const [w, h] = [photo.width, photo.height];
  const place = `translate(${number(x)} ${number(y)}) rotate(${number(angle)}) scale(${number(mirror ? -scale : scale)} ${number(scale)})`;
  const image = `<image x="${-w / 2}" y="${-h / 2}" width="${w}" height="${h}" preserveAspectRatio="none" transform="${place}" href="${inXml(href)}"/>`;
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${number(width)}" height="${number(height)}" viewBox="${[left, top, width, height].map(number).join(' ')}" role="img">\n` +
    `<title>${inXml(title)}</title>\n` +
    (alt === '' ? '' : `<desc>${inXml(alt)}</desc>\n`) +
    `<defs><clipPath id="shape"><path d="${pathData(outline)}"/></clipPath></defs>\n` +
    `<g clip-path="url(#shape)">${image}</g>\n` +
    '</svg>\n'
  );
}
