'use client';
import type { Ref, SVGAttributes } from 'react';
import type { Placed } from '@/core/placement';
import { boundsOfOutline, pathData, type Outline } from '@/core/shape';
import { rimOfMask } from '@/core/sight';
import type { Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';

/** The subject whose outline is known: pointed at by hand, else the found one. */
function outlinedIn({ sight, handSubject }: PhotoRow) {
  if (!handSubject) return sight?.subject ?? null;
  return 'mask' in handSubject && handSubject.mask ? { box: handSubject.box, mask: handSubject.mask } : null;
}

/** Its rim as SVG points, in pixels of the photo. */
function rimPoints({ width, height }: PhotoRow, { box, mask }: NonNullable<ReturnType<typeof outlinedIn>>): string {
  return rimOfMask(mask ?? '')
    .map(([x, y]) => `${(box[0] + x * box[2]) * width},${(box[1] + y * box[3]) * height}`)
    .join(' ');
}

const inPixels = ([left, top, across, down]: Box, { width, height }: PhotoRow) => ({
  x: left * width,
  y: top * height,
  width: across * width,
  height: down * height,
});

type Box = readonly [left: number, top: number, width: number, height: number];

type EaselRoomProps = {
  readonly ref: Ref<SVGSVGElement>;
  readonly template: Template;
  readonly outline: Outline;
  readonly photo: PhotoRow;
  readonly placed: Placed;
  readonly spot: readonly [number, number];
  /** Left, top, width and height of what is seen, frame units. */
  readonly view: Box;
  readonly tool: string;
  /** True while the subject is caught by the spot. */
  readonly caught: boolean;
  /** The box that is being drawn around the subject, in shares of the photo. */
  readonly boxing: Box | null;
  /** What a second look saw, where it disagrees, in shares of the photo. */
  readonly again: Box | null;
  readonly handlers: SVGAttributes<SVGSVGElement>;
};

/** The whole photo, dimmed outside the shape, with what was seen in it and where it is wanted. */
export function EaselRoom({
  ref,
  template,
  outline,
  photo,
  placed,
  spot,
  view,
  tool,
  caught,
  boxing,
  again,
  handlers,
}: EaselRoomProps) {
  const { frame } = template;
  const d = pathData(outline, 3);
  const [l, t, r, b] = boundsOfOutline(outline);
  const outlined = outlinedIn(photo);
  // The room is seldom as wide as it is high: more than the view is seen on two of its sides.
  const wide = { x: view[0] - view[2], y: view[1] - view[3], width: 3 * view[2], height: 3 * view[3] };
  const subjectBox =
    boxing ?? (photo.handSubject && 'box' in photo.handSubject ? photo.handSubject.box : photo.sight?.subject?.box);
  /** As large on screen whatever the frame's unit. */
  const dot = 0.006 * view[2];
  const transform = `translate(${placed.x} ${placed.y}) rotate(${placed.angle}) scale(${placed.scale * (placed.mirror ? -1 : 1)} ${placed.scale}) translate(${-photo.width / 2} ${-photo.height / 2})`;
  return (
    <svg
      ref={ref}
      {...handlers}
      viewBox={view.join(' ')}
      className="easel-svg"
      data-tool={tool}
      role="img"
      aria-label={`${photo.name} under the shape. Drag it, scroll to scale, arrow keys nudge, with shift ten times as far.`}
    >
      <defs>
        <mask id="easel-mask" maskUnits="userSpaceOnUse" {...wide}>
          <rect {...wide} fill="#fff" />
          <path d={d} fill="#000" />
        </mask>
      </defs>
      <image
        href={`/api/photos/${photo.sha256}/proxy/2048`}
        width={photo.width}
        height={photo.height}
        preserveAspectRatio="none"
        transform={transform}
      />
      <rect {...wide} className="easel-dim" mask="url(#easel-mask)" />
      <path d={d} className="easel-outline" />
      <rect x={0} y={0} width={frame.width} height={frame.height} className="easel-frame" />
      <g className={caught ? 'easel-spot is-caught' : 'easel-spot'}>
        <path d={`M${spot[0]} ${t}V${b}M${l} ${spot[1]}H${r}`} />
      </g>
      {subjectBox && <rect className="easel-subject" {...inPixels(subjectBox, photo)} transform={transform} />}
      {again && <rect className="easel-again" {...inPixels(again, photo)} transform={transform} />}
      {outlined && <polygon className="easel-subject" points={rimPoints(photo, outlined)} transform={transform} />}
      {photo.sight?.faces.map(({ eyes }, i) => (
        <g key={i} transform={transform} className="easel-eyes">
          {eyes.map(([ex, ey], k) => (
            <circle key={k} cx={ex * photo.width} cy={ey * photo.height} r={dot / placed.scale} />
          ))}
        </g>
      ))}
      {placed.subject && <circle className="easel-dot" cx={placed.subject.x} cy={placed.subject.y} r={dot} />}
    </svg>
  );
}
