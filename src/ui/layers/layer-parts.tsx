'use client';
import { X } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import type { LayerPart } from '@/core/layers';
import type { Template } from '@/core/template';
import { newPart } from './lists';

type Values = Readonly<Record<string, unknown>>;

type PartProps = {
  readonly definition: LayerPart;
  readonly layer: Values;
  readonly template: Template;
  readonly onChange: (fields: Values) => void;
  readonly onDrag: (active: boolean) => void;
};

type LayerPartsProps = {
  /** Draws the form of one. */
  readonly form: (props: PartProps) => ReactNode;
  /** By their fields. */
  readonly parts: Readonly<Record<string, LayerPart | undefined>>;
  readonly values: Values;
  readonly template: Template;
  readonly onChange: (fields: Values) => void;
  readonly onDrag: (active: boolean) => void;
};

/** What a layer may have besides: those that it has, each closed to a line, and those that can be added. */
export function LayerParts({ form, parts, values, template, onChange, onDrag }: LayerPartsProps) {
  const [open, setOpen] = useState<string | null>(null);
  const all = Object.entries(parts) as [string, LayerPart][];
  const missing = all.filter(([key]) => !values[key]);
  return (
    <div className="layer-parts">
      {all
        .filter(([key]) => values[key])
        .map(([key, part]) => {
          const value = values[key] as Values;
          const title = part.title(value);
          return (
            <div key={key} role="group" aria-label={title}>
              <div className="d-flex align-items-center">
                <button
                  type="button"
                  className="layer-head"
                  aria-expanded={open === key}
                  onClick={() => setOpen(open === key ? null : key)}
                >
                  <span>{title}</span>
                  {open !== key && <span className="muted">{part.words(value, template.frame.unit)}</span>}
                </button>
                <Button
                  variant="quiet"
                  aria-label={`Remove ${title.toLowerCase()}`}
                  title="remove"
                  onClick={() => onChange({ [key]: null })}
                >
                  <X size={14} aria-hidden />
                </Button>
              </div>
              {open === key &&
                form({
                  definition: part,
                  layer: value,
                  template,
                  onChange: (fields) => onChange({ [key]: { ...value, ...fields } }),
                  onDrag,
                })}
            </div>
          );
        })}
      {missing.length > 0 && (
        <div className="add-parts">
          <span className="muted small-text">Add</span>
          {missing.map(([key, part]) => (
            <Button
              key={key}
              variant="quiet"
              onClick={() => {
                onChange({ [key]: newPart(key, part, template) });
                setOpen(key);
              }}
            >
              {part.title({}).toLowerCase()}
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}
