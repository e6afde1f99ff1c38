'use client';
import { X } from 'lucide-react';
import { Button } from 'react-bootstrap';
import { ratioOf, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { CutoutCanvas } from '../shared/cutout-canvas';
import { groundStyle, useGround } from '../wall/ground-picker';

/** Longest side of a picture, CSS pixels. */
const SIZE = 74;

export type Look = {
  readonly id: string;
  readonly name: string;
  /** The template with this look. */
  readonly template: Template;
  readonly onTake: () => void;
  /** Where it can be taken out of the list. */
  readonly onRemove?: (() => void) | undefined;
};

type LooksProps = { readonly looks: readonly Look[]; readonly photo: PhotoRow };

/** Looks side by side on one photo, on the ground that the wall has: a click takes one. */
export function Looks({ looks, photo }: LooksProps) {
  const [ground] = useGround();
  return (
    <div className="finishes">
      {looks.map(({ id, name, template, onTake, onRemove }) => {
        const ratio = ratioOf(template);
        return (
          <div key={id} className="look">
            <button type="button" onClick={onTake}>
              <span className="look-ground ground" data-ground={ground} style={groundStyle(ground)}>
                <CutoutCanvas template={template} photo={photo} cssWidth={Math.min(SIZE, SIZE / ratio)} label="" />
              </span>
              <span className="look-name" title={name}>
                {name}
              </span>
            </button>
            {onRemove && (
              <Button
                variant="quiet"
                className="look-remove"
                aria-label={`Delete ${name}`}
                title="delete"
                onClick={onRemove}
              >
                <X size={12} aria-hidden />
              </Button>
            )}
          </div>
        );
      })}
    </div>
  );
}
