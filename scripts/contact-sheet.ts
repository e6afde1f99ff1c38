/** `npm run shapes:sheet`: every catalogue shape in its box, as dist/shape-kinds.png. */
import sharp from 'sharp';
import { completeShape, outlineOf, pathData, SHAPE_KINDS, SHAPES, shapeSchema } from '../src/core/shape';

const [CELL, COLUMNS, SIDE] = [190, 6, 140];

const cells = SHAPE_KINDS.map((kind, i) => {
  const { label, aspect = 1 } = SHAPES[kind] as { label: string; aspect?: number };
  const [width, height] = aspect > 1 ? [SIDE, SIDE / aspect] : [SIDE * aspect, SIDE];
  const box = { cx: CELL / 2, cy: CELL / 2 - 10, width, height };
  const document = { kind, box, ...(kind === 'bubble' ? { radius: 18 } : {}) };
  const outline = outlineOf(completeShape(shapeSchema.parse(document), { width: CELL, height: CELL }));
  return `<g transform="translate(${(i % COLUMNS) * CELL} ${Math.floor(i / COLUMNS) * CELL})">
    <rect x="${box.cx - width / 2}" y="${box.cy - height / 2}" width="${width}" height="${height}" fill="none" stroke="#d9dcdd"/>
    <path d="${pathData(outline)}" fill="#176b5b"/>
    <text x="${CELL / 2}" y="${CELL - 14}" font-family="sans-serif" font-size="14" text-anchor="middle" fill="#1c2224">${label}</text></g>`;
});
const height = Math.ceil(cells.length / COLUMNS) * CELL;
const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${COLUMNS * CELL}" height="${height}"><rect width="100%" height="100%" fill="#fbfbfa"/>${cells.join('')}</svg>`;
await sharp(Buffer.from(svg)).png({ palette: true }).toFile('dist/shape-kinds.png');
