'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { Button } from 'react-bootstrap';
import {
  Bar,
  BarChart,
  CartesianGrid,
  ReferenceArea,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { withSizes } from '@/core/placement';
import type { Template } from '@/core/template';
import type { BatchDetail, PhotoRow } from '@/server/services';
import { NotChecked } from '../checks/not-checked';
import { areChecked } from '../checks/photo-findings';
import { useFindings } from '../checks/use-findings';
import { inSlots } from '../photos/in-slots';
import { worded } from '../photos/worded';
import { saveFile } from '../shared/save-file';
import { amount, plural } from '../shared/words';
import { useBatch } from '../wall/use-batch';
import { usePhotos } from '../wall/use-photos';
import { byCheck, csvOf, figuresOf, histogram, type Bar as BarOf, type PhotoFigures } from './figures';

const ACCENT = '#176b5b';
const LINE = '#d9dcdd';
const number = (v: number, digits = 1) => v.toFixed(digits);

function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
}

function Bars({ bars, title }: { bars: readonly BarOf[]; title: string }) {
  return (
    <section className="panel p-3" aria-label={title}>
      <h2>{title}</h2>
      <ResponsiveContainer width="100%" height={180}>
        <BarChart data={[...bars]} margin={{ left: -24, right: 8 }}>
          <CartesianGrid vertical={false} stroke={LINE} />
          <XAxis dataKey="label" tick={{ fontSize: 11 }} interval="preserveStartEnd" />
          <YAxis allowDecimals={false} tick={{ fontSize: 11 }} />
          <Tooltip />
          <Bar dataKey="count" name="photos" fill={ACCENT} maxBarSize={64} isAnimationActive={false} />
        </BarChart>
      </ResponsiveContainer>
    </section>
  );
}

type SpotsProps = {
  readonly figures: readonly PhotoFigures[];
  readonly tolerance: number;
  readonly onOpen: (id: number) => void;
};

/** Room for the numbers along both axes, so that what is left is as wide as high. */
const AXIS = 36;
const MARGINS = { top: 8, right: 8, bottom: 0, left: 0 } as const;

/** Share of the subjects that the plot is made to hold. */
const MOST = 0.95;

/** The next even end of an axis, in steps that read well. */
function evenReach(v: number): number {
  const step = 10 ** Math.floor(Math.log10(v));
  return [1, 2, 4, 6, 8, 10].map((k) => k * step).find((end) => end >= v) ?? 10 * step;
}

/** Every subject's centre around the wanted spot; the ring is the tolerance. */
function Spots({ figures, tolerance, onOpen }: SpotsProps) {
  const points = figures.filter((f) => f.across !== null).map((f) => ({ ...f, off: Math.hypot(f.across!, f.down!) }));
  const most = percentile(points.map(({ off }) => off), MOST); // prettier-ignore
  const reach = evenReach(Math.max(2 * tolerance, most * 1.05));
  const within = points.filter(({ off }) => off <= reach);
  // What is further out is drawn on the rim, on its own side.
  const beyond = points
    .filter(({ off }) => off > reach)
    .map((f) => ({ ...f, across: (f.across! / f.off) * reach, down: (f.down! / f.off) * reach }));
  const onClick = (point: unknown) => onOpen((point as { payload: PhotoFigures }).payload.id);
  const axis = {
    type: 'number',
    domain: [-reach, reach],
    ticks: [-reach, -reach / 2, 0, reach / 2, reach],
    tickFormatter: (v: number) => number(v),
    interval: 0,
    tick: { fontSize: 11 },
  } as const;
  return (
    <section className="panel p-3" aria-label="Subject centres">
      <h2>Subject centres by a second look, % of the shape off their spot</h2>
      <ResponsiveContainer className="square-chart" width="100%" aspect={1}>
        <ScatterChart margin={MARGINS}>
          <CartesianGrid stroke={LINE} />
          <XAxis dataKey="across" name="across" height={AXIS} {...axis} />
          <YAxis dataKey="down" name="down" width={AXIS} reversed {...axis} />
          <ReferenceLine x={0} stroke="#7d8386" />
          <ReferenceLine y={0} stroke="#7d8386" />
          <ReferenceArea x1={-tolerance} x2={tolerance} y1={-tolerance} y2={tolerance} shape={<Ring />} />
          <ReferenceDot x={0} y={0} r={2} fill="#1c2224" stroke="none" />
          <Tooltip formatter={(v) => `${number(Number(v), 2)} %`} labelFormatter={() => ''} />
          <Scatter data={within} fill={ACCENT} isAnimationActive={false} onClick={onClick} />
          <Scatter data={beyond} fill="#fff" stroke={ACCENT} isAnimationActive={false} onClick={onClick} />
        </ScatterChart>
      </ResponsiveContainer>
      {beyond.length > 0 && (
        <p className="muted small-text mb-0">{plural(beyond.length, 'subject')} further out: hollow, on the rim.</p>
      )}
    </section>
  );
}

/** The tolerance as an ellipse within the area that it is given. */
function Ring({ x = 0, y = 0, width = 0, height = 0 }: { x?: number; y?: number; width?: number; height?: number }) {
  return (
    <ellipse
      cx={x + width / 2}
      cy={y + height / 2}
      rx={Math.abs(width) / 2}
      ry={Math.abs(height) / 2}
      fill="#e3efec"
      stroke={ACCENT}
    />
  );
}

type ReportProps = { readonly batch: BatchDetail; readonly template: Template; readonly photos: readonly PhotoRow[] };

function Report({ batch, template: given, photos: rows }: ReportProps) {
  const router = useRouter();
  const photos = useMemo(() => inSlots(given, worded(rows, batch, false)), [given, rows, batch]);
  const template = useMemo(
    () =>
      withSizes(
        given,
        photos.filter(({ review }) => review !== 'out'),
      ),
    [given, photos],
  ); // as on the wall
  const findings = useFindings(template, photos);
  const figures = useMemo(() => figuresOf(template, photos, findings), [template, photos, findings]);
  const open = (id: number) => router.push(`/batches/${batch.id}?step=check&photo=${id}`);
  const off = figures.flatMap((f) => (f.across === null ? [] : [Math.hypot(f.across, f.down!)]));
  const sizes = figures.flatMap((f) => f.size ?? []);
  const apart = figures.flatMap((f) => f.apart ?? []);
  const unseen = figures.filter((f) => f.placedOff !== null && f.across === null && f.rule !== 'middle').length;
  const failing = figures.filter((f) => f.findings.length > 0);
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
          `A second look, which had no part in placing them, sees 95 % of the subjects within ${number(percentile(off, 0.95), 2)} % of the shape from their spot and sizes from ${number(percentile(sizes, 0.05))} to ${number(percentile(sizes, 0.95))} % of it (5th to 95th percentile); it is ${number(percentile(apart, 0.5), 2)} % from the first look at the median, ${number(percentile(apart, 0.95), 2)} % at the 95th percentile.`}
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
              {failing.slice(0, 200).map((f) => (
                <tr key={f.id}>
                  <td>
                    <Link href={`/batches/${batch.id}?step=check&photo=${f.id}`}>{f.name}</Link>
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
          {failing.length > 200 && <p className="muted">The first 200 are listed; the CSV holds all.</p>}
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
