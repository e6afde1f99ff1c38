'use client';
import { Button } from 'react-bootstrap';
import { boxPlaces, mapPoint, type Point } from '@/core/shape';
import { bendOf, type Template } from '@/core/template';
import type { TemplateStore } from '../template/store';
import { MOST_PINS, withPinAt } from './pin-handles';

/** Where pins are put without a hand that says so: the middles of the box's sides, its middle, its corners. */
const PLACES: readonly Point[] = [
  [0.5, 0],
  [1, 0.5],
  [0.5, 1],
  [0, 0.5],
  [0.5, 0.5],
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
];

/** One more pin, all of them out, and whether they could go all the way. */
export function PinTools({ template, store }: { readonly template: Template; readonly store: TemplateStore }) {
  const { pins } = template.edge;
  const { share } = bendOf(template);
  const add = (t: Template) => withPinAt(t, mapPoint(boxPlaces(t.shape.box), PLACES[t.edge.pins.length % PLACES.length]!)); // prettier-ignore
  return (
    <>
      <Button variant="quiet" disabled={pins.length >= MOST_PINS} onClick={() => store.change(add)}>
        Add a pin
      </Button>
      {pins.length > 0 && (
        <Button variant="quiet" onClick={() => store.change((t) => ({ ...t, edge: { ...t.edge, pins: [] } }))}>
          Straight again
        </Button>
      )}
      {share < 1 && (
        <span role="status" className="small-text">
          Bent {Math.round(share * 100)} % of the way: further, the outline would run across itself where the ring is
        </span>
      )}
    </>
  );
}
