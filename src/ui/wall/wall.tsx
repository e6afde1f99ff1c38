'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo } from 'react';
import type { Placed } from '@/core/placement';
import { pictureOf, ratioOf, slotTemplate, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { tileName, type BenchPhoto } from '../photos/in-slots';
import type { PhotoFindings } from '../checks/photo-findings';
import { useKeys } from '../keys/use-keys';
import { groundStyle, type Ground } from './ground-picker';
import { Guides } from './guides';
import { columnsFor, EDGE, GAP, tileSize } from './tile-size';
import { useChoice } from './use-choice';
import { usePainter } from './use-painter';
import { FindingMark } from '../shared/finding-mark';
import { pixelsOf, useDensity } from '../shared/pixels';
import { useSize } from '../shared/use-size';

const REVIEW_MARKS = { open: null, good: '✓ good', out: '✕ left out' } as const;

type WallProps = {
  readonly template: Template;
  readonly photos: readonly BenchPhoto[];
  readonly findings: PhotoFindings;
  readonly ground: Ground;
  /** What the photos are narrowed to: where that changes, the wall begins at its top again. */
  readonly filter: string;
  /** Wanted width of a cutout in CSS pixels. */
  readonly size: number;
  /** Centre lines, spot and tolerance over every cutout. */
  readonly guides: boolean;
  readonly onOpen: (place: number) => void;
  /** Notes the chosen photos as good, left out or still to look at. */
  readonly onReview: (ids: readonly number[], review: PhotoRow['review']) => void;
  readonly onRemove: (ids: readonly number[]) => void;
  readonly onChoice: (chosen: readonly BenchPhoto[]) => void;
};

const BY = { face: 'its face', subject: 'its subject', point: 'the point set by hand', middle: 'its middle' } as const;

/** What a photo is centred by. */
const byWords = (placed: Placed | undefined): string[] => (placed ? [`centred by ${BY[placed.rule]}`] : []);

/** Every photo as its finished cutout; only the rows in view exist. */
export function Wall({
  template,
  photos,
  findings,
  ground,
  filter,
  size,
  guides,
  onOpen,
  onRemove,
  onReview,
  onChoice,
}: WallProps) {
  const [scroller, room] = useSize();
  const { width } = room;
  const ratio = ratioOf(template);
  const wanted = tileSize(size, photos.length, ratio, room);
  const columns = columnsFor(wanted, room);
  // Many share the whole width; few are as large as still lets all be seen.
  const cell = wanted > size ? wanted : Math.max(1, Math.floor((width - 2 * EDGE + GAP) / columns) - GAP);
  // A very tall frame is fitted by its height.
  const { drawn, room: tile } = pixelsOf(pictureOf(template), Math.min(cell, (cell * 1.5) / ratio), useDensity());
  const rows = Math.ceil(photos.length / columns);
  // oxlint-disable-next-line react/incompatible-library -- the virtualizer's answers change without its identity; nothing here is memoised on it
  const virtual = useVirtualizer({
    count: rows,
    getScrollElement: () => scroller.current,
    estimateSize: () => tile.height,
    gap: GAP,
    paddingStart: EDGE,
    paddingEnd: EDGE,
    overscan: 3,
  });
  useEffect(() => virtual.measure(), [tile.height, virtual]);

  const items = virtual.getVirtualItems();
  const first = (items[0]?.index ?? 0) * columns;
  const last = ((items[items.length - 1]?.index ?? -1) + 1) * columns;
  const visible = useMemo(() => photos.slice(first, last), [photos, first, last]);
  const { register, errors } = usePainter(template, width > 0 ? drawn : 0, visible);

  const ids = useMemo(() => photos.map((photo) => photo.id), [photos]);
  const choice = useChoice(ids, columns);
  const { chosen, active } = choice;
  const activeRow = Math.floor(active / columns);
  useEffect(() => virtual.scrollToIndex(activeRow), [activeRow, virtual]);
  useEffect(() => virtual.scrollToOffset(0), [filter, virtual]);
  // A batch that has just opened is worked on by keys at once.
  useEffect(() => {
    if (document.activeElement === document.body) scroller.current?.focus({ preventScroll: true });
  }, [scroller]);
  useEffect(() => onChoice(photos.filter((photo) => chosen.has(photo.id))), [chosen, photos, onChoice]);

  /** What a key is about: the chosen photos, or else the one that the keys are at. */
  const meant = () => (chosen.size > 0 ? [...chosen] : photos[active] ? [photos[active].id] : []);
  const listen = useKeys<HTMLDivElement>('wall', {
    go: choice.go,
    chooseAll: choice.chooseAll,
    chooseNone: choice.chooseNone,
    open: () => photos[active] && onOpen(active),
    remove: () => chosen.size > 0 && onRemove([...chosen]),
    wallGood: () => onReview(meant(), 'good'),
    wallLeave: () => onReview(meant(), 'out'),
    wallLook: () => onReview(meant(), 'open'),
  });

  return (
    <div
      ref={(element) => {
        scroller.current = element;
        listen(element);
      }}
      className="wall-scroll ground"
      data-ground={ground}
      style={groundStyle(ground)}
      role="listbox"
      aria-label="Cutouts"
      aria-multiselectable
      aria-activedescendant={photos[active] ? `photo-${photos[active].id}` : undefined}
      tabIndex={0}
    >
      <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {items.map((row) => (
          <div
            key={row.key}
            className="wall-row"
            style={{
              top: row.start,
              height: tile.height,
              left: EDGE,
              columnGap: GAP,
              gridTemplateColumns: `repeat(${columns}, ${cell}px)`,
            }}
          >
            {photos.slice(row.index * columns, (row.index + 1) * columns).map((photo, i) => {
              const place = row.index * columns + i;
              const found = findings.byPhoto.get(photo.id);
              const mark = REVIEW_MARKS[photo.review];
              const failed = errors.get(photo.id);
              return (
                <div
                  key={photo.id}
                  id={`photo-${photo.id}`}
                  className="tile"
                  data-review={photo.review}
                  role="option"
                  aria-posinset={place + 1}
                  aria-setsize={photos.length}
                  aria-selected={chosen.has(photo.id)}
                  aria-label={[tileName(photo), mark, ...(found?.map((f) => f.message) ?? [])]
                    .filter(Boolean)
                    .join(', ')}
                  title={[
                    tileName(photo),
                    ...byWords(findings.placed.get(photo.id)),
                    ...(found?.map((f) => f.message) ?? []),
                  ].join('\n')}
                  onClick={(event) => choice.click(place, event)}
                  onDoubleClick={() => onOpen(place)}
                >
                  <canvas
                    ref={register(photo.id)}
                    data-photo={photo.id}
                    data-picture={photo.sha256}
                    width={1}
                    height={1}
                    style={tile}
                  />
                  {guides && (
                    <span className="guides-room" style={tile}>
                      {(photo.group?.seats ?? [photo]).map(
                        (one, slot) =>
                          one && (
                            <Guides
                              key={slot}
                              template={slotTemplate(template, one.slot ?? 0)}
                              placed={findings.placed.get(one.id)}
                            />
                          ),
                      )}
                    </span>
                  )}
                  {failed && <span className="lost">{failed}</span>}
                  {mark && <span className="mark mark-review">{mark}</span>}
                  {found && (
                    <span className="mark">
                      <span className="words">
                        <FindingMark />
                        {found[0]!.brief}
                      </span>
                      {found.length > 1 && <span>&nbsp;+{found.length - 1}</span>}
                    </span>
                  )}
                </div>
              );
            })}
          </div>
        ))}
      </div>
    </div>
  );
}
