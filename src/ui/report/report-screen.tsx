'use client';
import { quantile } from 'd3-array';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { Button } from 'react-bootstrap';
import { withSizes } from '@/core/placement';
import type { Template } from '@/core/template';
import type { BatchDetail, PhotoRow } from '@/server/services';
import { NotChecked } from '../checks/not-checked';
import { areChecked, type PhotoFindings } from '../checks/photo-findings';
import { useFindings } from '../checks/use-findings';
import { inSlots } from '../photos/in-slots';
import { worded } from '../photos/worded';
import { saveFile } from '../shared/save-file';
import { amount, plural } from '../shared/words';
import { useBatch } from '../wall/use-batch';
import { usePhotos } from '../wall/use-photos';
import { Bars, Spots } from './charts';
import { byCheck, csvOf, figuresOf, histogram, type PhotoFigures } from './figures';

const number = (v: number, digits = 1) => v.toFixed(digits);

/** Rows of the table of what fails. */
const MOST = 200;

type FailingProps = {
  readonly batchId: number;
  readonly figures: readonly PhotoFigures[];
  readonly findings: PhotoFindings;
};

function FailingTable({ batchId, figures, findings }: FailingProps) {
  return (
    <table className="table table-sm mt-3">
      <thead>
        <tr>
          <th scope="col">Photo</th>
          <th scope="col">Centred by</th>
          <th scope="col" className="text-end">
            Off, %
          </th>
          <th scope="col" className="text-end">
            Looks apart, %
          </th>
          <th scope="col" className="text-end">
            Size, %
          </th>
          <th scope="col" className="text-end">
            Enlarged
          </th>
          <th scope="col">Findings</th>
        </tr>
      </thead>
      <tbody>
        {figures.map((f) => (
          <tr key={f.id}>
            <td>
              <Link href={`/batches/${batchId}?step=check&photo=${f.id}`}>{f.name}</Link>
            </td>
            <td>{f.rule}</td>
            <td className="text-end">{f.across === null ? '' : number(Math.hypot(f.across, f.down!), 2)}</td>
            <td className="text-end">{f.apart === null ? '' : number(f.apart, 2)}</td>
            <td className="text-end">{f.size === null ? '' : number(f.size)}</td>
            <td className="text-end">{number(f.enlarged, 2)}×</td>
            <td>
              {findings.byPhoto
                .get(f.id)
                ?.map(({ brief }) => brief)
                .join(', ')}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

type ReportProps = { readonly batch: BatchDetail; readonly template: Template; readonly photos: readonly PhotoRow[] };

function Report({ batch, template: given, photos: rows }: ReportProps) {
  const router = useRouter();
  const photos = useMemo(() => inSlots(given, worded(rows, batch, false)), [given, rows, batch]);
  // As on the wall.
  const template = useMemo(() => withSizes(given, photos.filter(({ review }) => review !== 'out')), [given, photos]); // prettier-ignore
  const findings = useFindings(template, photos);
  const figures = useMemo(() => figuresOf(template, photos, findings), [template, photos, findings]);
  const open = (id: number) => router.push(`/batches/${batch.id}?step=check&photo=${id}`);
  const off = figures.flatMap((f) => (f.across === null ? [] : [Math.hypot(f.across, f.down!)]));
  const sizes = figures.flatMap((f) => f.size ?? []);
  const apart = figures.flatMap((f) => f.apart ?? []);
  const unseen = figures.filter((f) => f.placedOff !== null && f.across === null && f.rule !== 'middle').length;
  const failing = figures.filter((f) => f.findings.length > 0);
  const at = (values: readonly number[], share: number, digits = 2) => number(quantile(values, share) ?? 0, digits);
  const isChecked = areChecked(findings, photos.length);
  const head = (
    <div className="d-flex flex-wrap align-items-center gap-3 mb-3">
      <h1 className="mb-0 name-line">{batch.name}: report</h1>
      <span className="ms-auto d-flex gap-2">
        <Link className="btn btn-plain" href={`/batches/${batch.id}?step=check`}>
          Back to the wall
        </Link>
        {isChecked && (
          <Button onClick={() => saveFile(`${batch.name}-report.csv`, csvOf(figures), 'text/csv')}>Save as CSV</Button>
        )}
      </span>
    </div>
  );
  if (!isChecked) {
    return (
      <main className="page">
        {head}
        {findings.fault ? <NotChecked fault={findings.fault} /> : <p className="muted">Counting…</p>}
      </main>
    );
  }
  return (
    <main className="page">
      {head}
      <p className="muted">
        {plural(figures.length, 'photo')}, {amount(failing.length)} with findings.{' '}
        {off.length > 0 &&
          `A second look, which had no part in placing them, sees 95 % of the subjects within ${at(off, 0.95)} % of the shape from their spot and sizes from ${at(sizes, 0.05, 1)} to ${at(sizes, 0.95, 1)} % of it (5th to 95th percentile); it is ${at(apart, 0.5)} % from the first look at the median, ${at(apart, 0.95)} % at the 95th percentile.`}
        {unseen > 0 &&
          ` ${plural(unseen, 'subject')} ${unseen === 1 ? 'was' : 'were'} not looked at again: pointed at by hand, or found once only.`}
      </p>
      {figures.length === 0 && <div className="empty">There is no photo to report on, or all are left out.</div>}
      <div className="report-grid" hidden={figures.length === 0}>
        {off.length > 0 ? (
          <Spots figures={figures} tolerance={template.limits.offSpot * 100} onOpen={open} />
        ) : (
          <div className="empty">
            {template.centring.rule === 'middle'
              ? 'This template centres no subjects: choose subject or face under Centre.'
              : 'No subject was found in any photo: point at them on the easel.'}
          </div>
        )}
        <div className="d-grid gap-3">
          {sizes.length > 0 && (
            <Bars title="Subject sizes by a second look, % of the shape" bars={histogram(sizes, 12, '')} />
          )}
          <Bars
            title="Enlargement in the widest output"
            bars={histogram(
              figures.map((f) => f.enlarged),
              12,
              '×',
            )}
          />
        </div>
      </div>
      {failing.length > 0 && (
        <>
          <div className="mt-3">
            <Bars title="Photos by finding" bars={byCheck(figures)} />
          </div>
          <FailingTable batchId={batch.id} figures={failing.slice(0, MOST)} findings={findings} />
          {failing.length > MOST && <p className="muted">The first {MOST} are listed; the CSV holds all.</p>}
        </>
      )}
    </main>
  );
}

/** How alike a batch is, in figures. */
export function ReportScreen({ batchId }: { batchId: number }) {
  const { batch, error } = useBatch(batchId);
  const { photos, total, isLoading } = usePhotos(batchId);
  if (error) return <main className="page"><div className="empty">{error.message}</div></main>; // prettier-ignore
  if (!batch || isLoading || photos.length < total) return <main className="page muted">Counting…</main>;
  return <Report batch={batch} template={batch.template} photos={photos} />;
}
