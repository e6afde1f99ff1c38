/** SVG files into outlines. The file is hostile until shown otherwise: nothing of it is ever shown or run. */
import { DOMParser, type Element } from '@xmldom/xmldom';
import { WobrelError } from '../errors';
import { type Affine, after, type FillRule, mapOutline, type Outline, parsePathData, resolve } from '../shape';
import { portOf, transformOf, viewBoxTransform } from './affine';
import { ELEMENTS, type Port } from './elements';

/** Most characters of a file. */
const MAX_SVG_LENGTH = 2_000_000;
const MAX_ELEMENTS = 20_000;
const MAX_DEPTH = 64;

const refuse = (sentence: string): never => {
  throw new WobrelError('svg-refused', sentence);
};

/** Groups: what is in them is read. */
const GROUPS = new Set(['svg', 'g', 'a', 'switch']);
/** Never drawn by themselves, or without a part in the outline. */
const SILENT = new Set(['defs', 'title', 'desc', 'metadata', 'style', 'clipPath', 'mask', 'symbol', 'pattern', 'marker', 'linearGradient', 'radialGradient', 'filter', 'view']); // prettier-ignore
const REFUSED: Readonly<Record<string, string>> = {
  script: 'The file holds a script.',
  text: 'The file holds text; turn it into outlines first.',
  image: 'The file holds a picture, not an outline.',
  foreignObject: 'The file holds a foreign document.',
  use: 'The file repeats an element by reference; write it out first.',
  animate: 'The file moves.',
  set: 'The file moves.',
  animateTransform: 'The file moves.',
};

/** Attributes that would run something or reach outside of the file. */
function checkAttributes(element: Element): void {
  for (let i = 0; i < element.attributes.length; i++) {
    const { name, value } = element.attributes.item(i)!;
    if (/^on/i.test(name)) refuse('The file holds a script.');
    const reference = /(?:^|:)href$/i.test(name) ? value : /url\(\s*['"]?([^'")]*)/i.exec(value)?.[1];
    if (reference !== undefined && element.localName !== 'a' && !reference.trim().startsWith('#'))
      refuse('The file refers to something outside of it.');
  }
}

/** A presentation attribute, or the same in the style attribute, which goes first. */
function styleOf(element: Element, name: string): string | null {
  const declared = new RegExp(`(?:^|;)\\s*${name}\\s*:\\s*([^;!]+)`, 'i').exec(element.getAttribute('style') ?? '');
  return declared?.[1]?.trim() ?? element.getAttribute(name);
}

type Inherited = {
  readonly matrix: Affine;
  readonly port: Port;
  readonly fill: string;
  readonly rule: FillRule;
  readonly depth: number;
};

function inherit(element: Element, from: Inherited): Inherited {
  const rule = styleOf(element, 'fill-rule');
  return {
    ...from,
    matrix: after(from.matrix, transformOf(element.getAttribute('transform'))),
    fill: styleOf(element, 'fill') ?? from.fill,
    rule: rule === 'evenodd' ? 'evenodd' : rule === 'nonzero' ? 'nonzero' : from.rule,
    depth: from.depth + 1,
  };
}

function enterSvg(element: Element, from: Inherited, nested: boolean): Inherited {
  const get = (name: string) => element.getAttribute(name);
  const port = portOf(get, { x: 0, y: 0, ...from.port }, nested);
  const fitted = viewBoxTransform(get('viewBox'), get('preserveAspectRatio'), port);
  const view = (get('viewBox') ?? '').trim().split(/[\s,]+/).map(Number); // prettier-ignore
  const inner = view.length === 4 ? { width: view[2]!, height: view[3]! } : port;
  return { ...from, matrix: after(from.matrix, fitted), port: inner };
}

function outlineOfElement(element: Element, here: Inherited): Outline {
  const d = ELEMENTS[element.localName!]!((name) => element.getAttribute(name), here.port);
  if (!d || here.fill === 'none') return [];
  return resolve(mapOutline(parsePathData(d), here.matrix), here.rule);
}

export type SvgOutlines = {
  /** One outline an element, in pixels (96 an inch) of the file. */
  readonly parts: readonly Outline[];
  readonly width: number;
  readonly height: number;
};

/**
 * Reads an SVG file: paths and basic shapes, groups, nested documents, transforms, viewBox
 * and units; holes by the fill rule.
 *
 * @throws WobrelError `svg-refused` or `path-invalid` with a sentence that says why
 */
export function readSvg(text: string): SvgOutlines {
  if (text.length > MAX_SVG_LENGTH) refuse('The file is larger than 2 MB.');
  if (/<!DOCTYPE|<!ENTITY/i.test(text))
    refuse('The file begins with a DOCTYPE, which may hide anything; save it without one.');
  const faults: string[] = [];
  const onError = (level: string, message: string) => {
    if (level !== 'warning') faults.push(message);
  };
  let root: Element | null = null;
  try {
    root = new DOMParser({ onError }).parseFromString(text.replace(/^\uFEFF/, ''), 'image/svg+xml').documentElement;
  } catch {
    root = null;
  }
  if (!root || faults.length > 0) return refuse('The file is not well-formed XML.');
  if (root.localName !== 'svg') refuse('The file is not an SVG.');

  const parts: Outline[] = [];
  let seen = 0;
  const walk = (element: Element, from: Inherited): void => {
    if (++seen > MAX_ELEMENTS) refuse('The file has too many elements.');
    if (from.depth > MAX_DEPTH) refuse('The file’s groups are nested too deeply.');
    const name = element.localName ?? '';
    checkAttributes(element);
    if (REFUSED[name]) refuse(REFUSED[name]);
    if (SILENT.has(name)) return checkBelow(element);
    if (styleOf(element, 'display') === 'none') return;
    const inherited = inherit(element, from);
    if (ELEMENTS[name]) {
      const outline = styleOf(element, 'visibility') === 'hidden' ? [] : outlineOfElement(element, inherited);
      if (outline.length > 0) parts.push(outline);
      return;
    }
    // Elements of other namespaces and names draw nothing.
    if (!GROUPS.has(name)) return;
    const here = name === 'svg' ? enterSvg(element, inherited, element !== root) : inherited;
    for (const child of childrenOf(element)) walk(child, here);
  };
  walk(root, {
    matrix: [1, 0, 0, 1, 0, 0],
    port: { width: 300, height: 150 },
    fill: 'black',
    rule: 'nonzero',
    depth: 0,
  });
  if (parts.length === 0) refuse('The file holds no filled outline.');
  const { width, height } = portOf((name) => root.getAttribute(name), { x: 0, y: 0, width: 300, height: 150 }, false);
  return { parts, width, height };
}

const childrenOf = (element: Element): Element[] =>
  Array.from(element.childNodes).filter((node): node is Element => node.nodeType === 1);

/** What is not drawn may still not hold a script. Gone through without recursion: it may be nested as deeply as the file is long. */
function checkBelow(element: Element): void {
  const open = childrenOf(element);
  for (let seen = 0; open.length > 0; seen++) {
    if (seen > MAX_ELEMENTS) refuse('The file has too many elements.');
    const child = open.pop()!;
    if (child.localName === 'script') refuse('The file holds a script.');
    checkAttributes(child);
    open.push(...childrenOf(child));
  }
}
