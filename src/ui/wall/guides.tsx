'use client';
import { spotOf, type Placed } from '@/core/placement';
import { photoBox, pictureOf, type Template } from '@/core/template';

type GuidesProps = { readonly template: Template; readonly placed: Placed | undefined };

/** Over a cutout: the wanted spot with its tolerance ring, and where the subject's centre and box lie. */
export function Guides({ template, placed }: GuidesProps) {
  const { limits } = template;
  const room = photoBox(template);
  const { left, top, width, height } = pictureOf(template);
  const [x, y] = spotOf(template);
  const side = Math.max(room.width, room.height);
  const subject = placed?.subject;
  // Eyes, and the centre of an area, are not the middle of a box.
  const isBox = subject && subject.source !== 'face' && template.centring.middle !== 'area';
  return (
    <svg className="guides" viewBox={`${left} ${top} ${width} ${height}`} preserveAspectRatio="none" aria-hidden>
      <path className="line" d={`M${left} ${y}H${left + width}M${x} ${top}V${top + height}`} />
      <circle className="ring" cx={x} cy={y} r={Math.max(limits.offSpot, 0.005) * side} />
      {subject && (
        <>
          {isBox && (
            <rect
              className="subject"
              x={subject.x - subject.width / 2}
              y={subject.y - subject.height / 2}
              width={subject.width}
              height={subject.height}
            />
          )}
          <circle className="dot" cx={subject.x} cy={subject.y} r={0.008 * side} />
        </>
      )}
    </svg>
  );
}
