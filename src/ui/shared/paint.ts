import type { Drawn } from '@/preview';

/** Puts a drawn cutout on its canvas, straight alpha and all. */
export function paint(canvas: HTMLCanvasElement, drawn: Extract<Drawn, { pixels: unknown }>): void {
  if (canvas.width !== drawn.width) canvas.width = drawn.width;
  if (canvas.height !== drawn.height) canvas.height = drawn.height;
  canvas.getContext('2d')!.putImageData(new ImageData(drawn.pixels, drawn.width, drawn.height), 0, 0);
}
