'use client';
import { useMemo, useState } from 'react';
import { Button } from 'react-bootstrap';
import { framingPixels, framingSvg } from '@/core/export';
import { framingDocument, framingOf, READY_FRAMINGS, withFraming, type Framing, type Template } from '@/core/template';
import type { OwnFraming, PhotoRow } from '@/server/services';
import { MayButton } from '../people/may-button';
import { ask } from '../shared/ask';
import { saveFile } from '../shared/save-file';
import { NameDialog } from '../shared/name-dialog';
import { Section } from '../shared/section';
import { ShowAll } from '../shared/show-all';
import { useSettled } from '../shared/use-settled';
import { Looks, type Look } from './looks';
import type { TemplateStore } from './store';
import { useFramingChanges, useFramings } from './use-framings';
import { framingWords } from './words';

type FramingSectionProps = {
  readonly template: Template;
  readonly store: TemplateStore;
  /** The photo that framings are shown on. */
  readonly photo: PhotoRow | undefined;
};

const READY: readonly { readonly id: string; readonly name: string; readonly framing: Framing }[] = READY_FRAMINGS.map(
  ({ id, name, fields }) => ({ id, name, framing: framingDocument.parse(fields) }),
);

/** Of those that people have kept so many are shown at first, the ready ones below them: two rows. */
const FIRST_OWN = 6;

type FramingsProps = Omit<FramingSectionProps, 'photo'> & { readonly photo: PhotoRow; readonly own: readonly OwnFraming[] }; // prettier-ignore

function Framings({ template, store, photo, own }: FramingsProps) {
  const { remove } = useFramingChanges();
  // Sliders go first; these follow when they rest.
  const settled = useSettled(template);
  const [showsAll, setShowsAll] = useState(false);
  const shown = showsAll ? own.length : FIRST_OWN;
  const looks = useMemo(() => {
    const lookOf = (id: string, name: string, framing: Framing): Look => ({
      id,
      name,
      template: withFraming({ ...settled, slots: [] }, framing),
      onTake: () => store.change((t) => withFraming(t, framing)),
    });
    const removed = async ({ id, name }: OwnFraming) => {
      const question = { title: `Delete ${name}?`, words: 'Templates that have it keep what they have.', action: 'Delete' }; // prettier-ignore
      if (await ask(question)) await remove(id);
    };
    return {
      own: own.slice(0, shown).map((one) => ({ ...lookOf(`own ${one.id}`, one.name, one.framing), onRemove: () => void removed(one) })),
      ready: READY.map(({ id, name, framing }) => lookOf(id, name, framing)),
    }; // prettier-ignore
  }, [settled, store, own, shown, remove]);
  return (
    <>
      {own.length > 0 && <Looks looks={looks.own} photo={photo} />}
      {own.length > FIRST_OWN && (
        <ShowAll isAll={showsAll} onChange={setShowsAll}>
          Show all {own.length} of your own
        </ShowAll>
      )}
      <Looks looks={looks.ready} photo={photo} />
    </>
  );
}

/** What lies round the photo, apart from its shape: ready framings and kept ones, on the batch's own photo. */
export function FramingSection({ template, store, photo }: FramingSectionProps) {
  const { data: own = [] } = useFramings();
  const { keep } = useFramingChanges();
  const pixels = framingPixels(template);
  const [keeping, setKeeping] = useState(false);
  return (
    <Section title="Framing" group="borders" word="framing" value={framingWords(own.length)}>
      {photo ? (
        <Framings template={template} store={store} photo={photo} own={own} />
      ) : (
        <p className="muted small-text mb-0">Bring photos in, and framings are shown on one of them.</p>
      )}
      <MayButton least="maker" variant="quiet" className="mt-1" onClick={() => setKeeping(true)}>
        Keep this framing
      </MayButton>
      <Button
        variant="quiet"
        className="mt-1"
        disabled={pixels !== null || template.borders.length === 0}
        onClick={() => saveFile(`${template.name} framing.svg`, framingSvg(template)!, 'image/svg+xml')}
      >
        Save as SVG
      </Button>
      {pixels !== null && (
        <p className="muted small-text mb-0">No vectors of it: {pixels}. An output can show the framing alone.</p>
      )}
      {keeping && (
        <NameDialog
          title="Keep this framing"
          suggestion={`${template.name} framing`}
          help={(name) => `${name || 'It'} can be put on any shape: borders, their light, shadows and the rough edge.`}
          onSave={async (name) => {
            await keep({ name, framing: framingOf(template) });
            setKeeping(false);
          }}
          onHide={() => setKeeping(false)}
        />
      )}
    </Section>
  );
}
