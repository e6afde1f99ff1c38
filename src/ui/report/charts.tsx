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
import { plural } from '../shared/words';
import { spotsOf, type Bar as BarOf, type PhotoFigures } from './figures';

const ACCENT = '#176b5b';
const LINE = '#d9dcdd';

/** How many photos have which value. */
export function Bars({ bars, title }: { bars: readonly BarOf[]; title: string }) {
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

/** Every subject's centre around the wanted spot; the ring is the tolerance. */
export function Spots({ figures, tolerance, onOpen }: SpotsProps) {
  const { reach, within, beyond } = spotsOf(figures, tolerance);
  const onClick = (point: unknown) => onOpen((point as { payload: { id: number } }).payload.id);
  const axis = {
    type: 'number',
    domain: [-reach, reach],
    ticks: [-reach, -reach / 2, 0, reach / 2, reach],
    tickFormatter: (v: number) => v.toFixed(1),
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
          <Tooltip formatter={(v) => `${Number(v).toFixed(2)} %`} labelFormatter={() => ''} />
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
