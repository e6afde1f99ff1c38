'use client';
import { Button, Form } from 'react-bootstrap';
import { boxPlaces, mapPoint, type Point } from '@/core/shape';
import { LAYER_LISTS } from '@/core/layers';
import type { Template } from '@/core/template';
import type { TemplateStore } from '../template/store';
import { withPinAt } from './pin-handles';
import { bendFor, MOST_PINS, pinsFor, withPins } from './pins';
import { setStage, type Bends } from './stage-state';

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

type PinToolsProps = { readonly template: Template; readonly store: TemplateStore; readonly bends: Bends };

/** What is bent; one more pin, all of them out, and whether they could go all the way. */
export function PinTools({ template, store, bends }: PinToolsProps) {
  const pins = pinsFor(template, bends);
  const { share } = bendFor(template, bends);
  const add = (t: Template) => withPinAt(t, bends, mapPoint(boxPlaces(t.shape.box), PLACES[pinsFor(t, bends).length % PLACES.length]!)); // prettier-ignore
  const { borders } = template;
  return (
    <>
      {borders.length > 0 && (
        <Form.Select
          size="sm"
          className="w-auto"
          aria-label="What is bent"
          value={bends}
          onChange={({ target: { value } }) => setStage({ bends: value === 'edge' ? value : Number(value) })}
        >
          <option value="edge">all of it</option>
          {borders.map((border, i) => (
            <option key={i} value={i}>
              {LAYER_LISTS.borders.title(border).toLowerCase()} {i + 1} alone
            </option>
          ))}
        </Form.Select>
      )}
      <Button variant="quiet" disabled={pins.length >= MOST_PINS} onClick={() => store.change(add)}>
        Add a pin
      </Button>
      {pins.length > 0 && (
        <Button variant="quiet" onClick={() => store.change((t) => withPins(t, bends, []))}>
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
