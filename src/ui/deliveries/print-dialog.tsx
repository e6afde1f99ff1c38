'use client';
import { useMemo, useState } from 'react';
import { Button } from 'react-bootstrap';
import { pageSize, pagesFor, setupSchema, type PageSetup } from '@/core/pages';
import type { DeliveryProgress } from '@/server/services';
import { ChoiceField } from '../shared/choice-field';
import { Dialog } from '../shared/dialog';
import { NumberField } from '../shared/number-field';
import { optionsOf, SelectField } from '../shared/select-field';
import { PatternField } from '../shared/pattern-field';
import { plural } from '../shared/words';

const PAPERS = { a4: 'A4', a3: 'A3', letter: 'Letter', own: 'own size' } as const;
const MARKS = { none: 'none', crop: 'crop marks', cut: 'cut line' } as const;

const FORMATS = { pdf: 'PDF', svg: 'SVG', png: 'one picture' } as const;
type Format = keyof typeof FORMATS;

/** The address that gives the pages. */
function addressOf(id: number, setup: PageSetup, output: string, format: Format, page: number): string {
  const all = { ...setup, output, format, page };
  return `/api/deliveries/${id}/pages?${new URLSearchParams(Object.entries(all).map(([key, value]) => [key, String(value)]))}`;
}

type Length = 'pageWidth' | 'pageHeight' | 'width' | 'margin' | 'gap';
type MillimetresProps = {
  readonly label: string;
  readonly field: Length;
  readonly within: readonly [min: number, max: number];
  readonly setup: PageSetup;
  readonly onSet: (fields: Partial<PageSetup>) => void;
};

const Millimetres = ({ label, field, within: [min, max], setup, onSet }: MillimetresProps) => (
  <NumberField
    label={label}
    value={setup[field]}
    min={min}
    max={max}
    unit="mm"
    onChange={(length) => onSet({ [field]: length })}
  />
);

type PrintDialogProps = { readonly delivery: DeliveryProgress; readonly onHide: () => void };

/** How a delivery's cutouts are laid on pages, and the document. */
export function PrintDialog({ delivery, onHide }: PrintDialogProps) {
  const { outputs } = delivery;
  const [output, setOutput] = useState(outputs[0]!.name);
  const [setup, setSetup] = useState(() => setupSchema.parse({}));
  const [format, setFormat] = useState<Format>('pdf');
  const [page, setPage] = useState(1);
  const set = (fields: Partial<PageSetup>) => setSetup((was) => ({ ...was, ...fields }));
  const chosen = outputs.find(({ name }) => name === output)!;
  const { across, down, pages } = useMemo(
    () => pagesFor(setup, chosen.ratio, delivery.photosDone - delivery.photosFailed),
    [setup, chosen, delivery],
  );
  const [width, height] = pageSize(setup);
  const isImpossible = across < 1 || down < 1;
  return (
    <Dialog
      title="Pages for print"
      onHide={onHide}
      action={
        isImpossible || (setup.marks === 'cut' && chosen.isTrimmed) ? (
          <Button disabled>Download</Button>
        ) : (
          <a
            className="btn btn-primary"
            href={addressOf(delivery.id, setup, output, format, Math.min(page, pages))}
            download
          >
            Download
          </a>
        )
      }
    >
      {outputs.length > 1 && (
        <SelectField label="Files of" value={output} onChange={setOutput}>
          {outputs.map(({ name }) => (
            <option key={name} value={name}>
              {name}
            </option>
          ))}
        </SelectField>
      )}
      <SelectField label="Paper" value={setup.paper} onChange={(paper) => set({ paper: paper as PageSetup['paper'] })}>
        {optionsOf(PAPERS)}
      </SelectField>
      {setup.paper === 'own' ? (
        <>
          <Millimetres label="Page width" field="pageWidth" within={[20, 2000]} setup={setup} onSet={set} />
          <Millimetres label="Page height" field="pageHeight" within={[20, 2000]} setup={setup} onSet={set} />
        </>
      ) : (
        <ChoiceField
          label="Orientation"
          value={setup.landscape ? 'landscape' : 'portrait'}
          options={{ portrait: 'portrait', landscape: 'landscape' }}
          onChange={(way) => set({ landscape: way === 'landscape' })}
        />
      )}
      <Millimetres label="Each wide" field="width" within={[5, 2000]} setup={setup} onSet={set} />
      <Millimetres label="Margin" field="margin" within={[0, 200]} setup={setup} onSet={set} />
      <Millimetres label="Gap" field="gap" within={[0, 200]} setup={setup} onSet={set} />
      <PatternField
        label="Caption"
        value={setup.caption}
        most={200}
        onChange={(caption) => set({ caption })}
        onDrag={() => {}}
      />
      <ChoiceField label="Marks" value={setup.marks} options={MARKS} onChange={(marks) => set({ marks })} />
      {setup.marks === 'cut' && chosen.isTrimmed && (
        <p className="text-danger small-text">✕ Cut lines need an output that is not trimmed, and {output} is.</p>
      )}
      <ChoiceField label="As" value={format} options={FORMATS} onChange={setFormat} />
      {format !== 'pdf' && pages > 1 && (
        <NumberField label="Page" value={page} min={1} max={pages} onChange={(next) => setPage(Math.round(next))} />
      )}
      <p className="mb-0" aria-live="polite">
        {isImpossible
          ? `✕ A cutout of this size has no room on a page of ${width} × ${height} mm.`
          : `${across} × ${down} on a page of ${width} × ${height} mm: ${plural(pages, 'page')}.`}
      </p>
    </Dialog>
  );
}
