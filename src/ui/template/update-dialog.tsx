'use client';
import { useMemo, useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { changesOf, pathWords, valueWords } from '@/core/changes';
import { collisionsOf, mergeTemplates, type Collision, type Template } from '@/core/template';
import type { PreviewPhoto } from '@/preview';
import type { BatchDetail } from '@/server/services';
import { ChoiceField } from '../shared/choice-field';
import { plural } from '../shared/words';
import { Compare } from '../templates/compare';
import { useHistoryOf } from '../templates/use-cards';

type Whose = 'mine' | 'theirs';

/** A value that both have changed: which one stands. */
function Choice({
  collision,
  unit,
  whose,
  onChoose,
}: {
  readonly collision: Collision;
  readonly unit: string;
  readonly whose: Whose;
  readonly onChoose: (whose: Whose) => void;
}) {
  const said = (value: unknown) => valueWords(value, undefined, unit) ?? 'another';
  const options = { mine: `here: ${said(collision.mine)}`, theirs: `new: ${said(collision.theirs)}` };
  return <ChoiceField label={pathWords(collision.at)} value={whose} options={options} onChange={onChoose} />;
}

type UpdateDialogProps = {
  readonly saved: NonNullable<BatchDetail['saved']>;
  /** As it stands on the batch. */
  readonly mine: Template;
  readonly photos: readonly PreviewPhoto[];
  readonly onTake: (template: Template) => void;
  readonly onHide: () => void;
};

/** Brings a batch up to the newest version of its template: what changes, what stays, and what both changed. */
export function UpdateDialog({ saved, mine, photos, onTake, onHide }: UpdateDialogProps) {
  const { data } = useHistoryOf(saved.templateId);
  const [chosen, setChosen] = useState<Readonly<Record<string, Whose>>>({});
  const theirs = data?.versions[0]?.template;
  const collisions = useMemo(() => (theirs ? collisionsOf(saved.template, mine, theirs) : []), [saved, mine, theirs]);
  const next = useMemo(
    () => theirs && mergeTemplates(saved.template, mine, theirs, ({ at }) => chosen[at] ?? 'theirs'),
    [saved, mine, theirs, chosen],
  );
  if (!theirs || !next) return null;
  const [news, kept] = [changesOf(saved.template, theirs), changesOf(saved.template, mine)];
  return (
    <Modal show size="lg" scrollable onHide={onHide} aria-labelledby="update-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="update-title">
          {saved.name}: version {saved.version} → {data.versions[0]!.version}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p className="mb-1">
          <strong>New:</strong> {news.join('; ') || 'nothing but its name'}
        </p>
        <p className="mb-2">
          <strong>Changed here:</strong> {kept.join('; ') || 'nothing'}
          {kept.length > 0 && collisions.length === 0 && '. All of it stays.'}
        </p>
        {collisions.length > 0 && (
          <section aria-label="Changed in both">
            <p className="mb-1">{plural(collisions.length, 'field')} changed in both: which one stands?</p>
            {collisions.map((collision) => (
              <Choice
                key={collision.at}
                collision={collision}
                unit={mine.frame.unit}
                whose={chosen[collision.at] ?? 'theirs'}
                onChoose={(whose) => setChosen((all) => ({ ...all, [collision.at]: whose }))}
              />
            ))}
          </section>
        )}
        <Compare before={mine} after={next} photos={photos} />
      </Modal.Body>
      <Modal.Footer>
        <Button variant="plain" onClick={onHide}>
          Stay on version {saved.version}
        </Button>
        <Button onClick={() => onTake(next)}>Take version {data.versions[0]!.version}</Button>
      </Modal.Footer>
    </Modal>
  );
}
