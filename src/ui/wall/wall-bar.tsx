'use client';
import { Button } from 'react-bootstrap';
import type { History } from '../history/history';
import { UndoButtons } from '../history/undo-buttons';
import { useActions } from '../keys/use-keys';
import { ChoiceField } from '../shared/choice-field';
import { Select } from '../shared/select';
import { setStage, type MiddleView } from '../stage/stage-state';
import { GroundPicker, type Ground } from './ground-picker';
import { SHOWS, SORTS, type Show, type Sort } from './order';

const SIZES = { small: 'S', medium: 'M', large: 'L' } as const;
const VIEWS = {
  template: { each: 'each', average: 'average', stage: 'stage' },
  photos: { each: 'each', average: 'average', table: 'table' },
  other: { each: 'each', average: 'average' },
} as const satisfies Readonly<Record<string, Partial<Record<MiddleView, string>>>>;

const viewsOf = (step: string) =>
  (step === 'template' || step === 'photos' ? VIEWS[step] : VIEWS.other) as Record<MiddleView, string>;

type WallBarProps = {
  readonly step: string;
  readonly view: MiddleView;
  readonly ground: Ground;
  readonly onGround: (ground: Ground) => void;
  readonly size: keyof typeof SIZES;
  readonly onSize: (size: keyof typeof SIZES) => void;
  readonly show: Show;
  readonly onShow: (show: Show) => void;
  readonly sort: Sort;
  readonly onSort: (sort: Sort) => void;
  readonly guides: boolean;
  readonly onGuides: (guides: boolean) => void;
  readonly history: History;
};

/** Above the cutouts: how they are looked at, and undo. */
export function WallBar(props: WallBarProps) {
  const { step, view, ground, onGround, size, onSize, show, onShow, sort, onSort, guides, onGuides, history } = props;
  useActions('page', {
    viewEach: () => setStage({ view: 'each' }),
    viewAverage: () => setStage({ view: 'average' }),
    ...(step === 'template' && { viewStage: () => setStage({ view: 'stage' }) }),
    guides: () => onGuides(!guides),
  });
  return (
    <div className="wall-bar">
      {view !== 'table' && <GroundPicker ground={ground} onChange={onGround} />}
      {view === 'each' && (
        <ChoiceField label="Size of the cutouts" bare value={size} options={SIZES} onChange={onSize} />
      )}
      <ChoiceField
        label="View"
        bare
        value={view}
        options={viewsOf(step)}
        onChange={(next) => setStage({ view: next })}
      />
      {view !== 'stage' && <Select label="Show" value={show} options={SHOWS} onChange={onShow} />}
      {(view === 'each' || view === 'table') && (
        <Select
          label="Sort"
          value={sort}
          options={Object.entries(SORTS).map(([key, { label }]) => [key, label] as const)}
          onChange={(next) => onSort(next as Sort)}
        />
      )}
      {view === 'each' && (
        <Button variant={guides ? 'primary' : 'plain'} aria-pressed={guides} onClick={() => onGuides(!guides)}>
          Guides
        </Button>
      )}
      <UndoButtons history={history} />
    </div>
  );
}
