'use client';
/** A colour out of a cutout that is on screen, by a click on it. */

/** The pixel of a canvas under a pointer, as #rrggbb; null where it is clear or there is none. */
function colourUnder(x: number, y: number): string | null {
  const canvas = document.elementsFromPoint(x, y).find((element) => element instanceof HTMLCanvasElement);
  if (!canvas) return null;
  const { left, top, width, height } = canvas.getBoundingClientRect();
  const px = Math.min(canvas.width - 1, Math.floor(((x - left) / width) * canvas.width));
  const py = Math.min(canvas.height - 1, Math.floor(((y - top) / height) * canvas.height));
  const [r, g, b, alpha] = canvas.getContext('2d')!.getImageData(px, py, 1, 1).data;
  if (alpha === 0) return null;
  return `#${[r!, g!, b!].map((v) => v.toString(16).padStart(2, '0')).join('')}`;
}

/** Waits for a click on a cutout; null where it was elsewhere, or Escape was pressed. */
export function pickColour(): Promise<string | null> {
  return new Promise((resolve) => {
    const listening = new AbortController();
    const done = (colour: string | null) => {
      listening.abort();
      delete document.body.dataset.picking;
      resolve(colour);
    };
    document.body.dataset.picking = 'true';
    const options = { capture: true, signal: listening.signal };
    window.addEventListener(
      'pointerdown',
      (event) => {
        event.preventDefault();
        event.stopPropagation();
        done(colourUnder(event.clientX, event.clientY));
        // The click that follows is not meant for what lies there.
        window.addEventListener('click', (click) => click.stopPropagation(), { capture: true, once: true });
      },
      options,
    );
    window.addEventListener('keydown', (event) => event.key === 'Escape' && done(null), options);
  });
}
