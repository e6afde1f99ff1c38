'use client';
import { useQuery } from '@tanstack/react-query';
import { Fragment } from 'react';
import type { Shape, ShapeFigures } from '@/core/shape';
import { createShapeFigures } from '@/preview';

const ask = createShapeFigures();

const share = (v: number) => `${Math.round(v * 1000) / 10} %`;

/** Until they are known, a dash each. */
function factsOf(figures: ShapeFigures | undefined): readonly (readonly [string, string])[] {
  const said = (words: (known: ShapeFigures) => string) => (figures ? words(figures) : '–');
  return [
    ['Width : height', said(({ proportion }) => `${Math.round(proportion * 100) / 100} : 1`)],
    ['Area of its box', said(({ area }) => share(area))],
    ['Thinnest part', said(({ thin }) => (thin === null ? 'too intricate to tell' : share(thin)))],
  ];
}

/** Numbers that say what a shape is like, in shares: the library keeps shapes, not sizes. */
export function ShapeFacts({ shape }: { readonly shape: Shape }) {
  const { data, error } = useQuery({ queryKey: ['shape-figures', shape], queryFn: () => ask(shape), staleTime: Infinity, retry: false }); // prettier-ignore
  if (error) return <p className="text-danger small-text mb-0">✕ {error.message}</p>;
  return (
    <dl className="shape-facts small-text">
      {factsOf(data).map(([name, value]) => (
        <Fragment key={name}>
          <dt>{name}</dt>
          <dd>{value}</dd>
        </Fragment>
      ))}
    </dl>
  );
}
