'use client';
import { useMemo } from 'react';
import { parseTemplate, STARTING_TEMPLATES, type Template } from '@/core/template';
import type { StripPhoto } from '@/server/services';
import { TemplateStrip } from './template-strip';
import { makesWords } from './template-words';
import { MayButton } from '../people/may-button';

type ReadyMadeProps = {
  readonly search: string;
  readonly sample: readonly StripPhoto[];
  /** Asks for a name and saves a template of one's own. */
  readonly onTake: (template: Template) => void;
};

/** Templates that come with the application: taken as one's own, never changed themselves. */
export function ReadyMade({ search, sample, onTake }: ReadyMadeProps) {
  const all = useMemo(
    () => STARTING_TEMPLATES.map(({ document, ...rest }) => ({ ...rest, template: parseTemplate({ wobrel: 1, ...document }) })), // prettier-ignore
    [],
  );
  const wanted = search.trim().toLowerCase();
  const found = all.filter(({ about, template }) => `${template.name} ${about}`.toLowerCase().includes(wanted));
  if (found.length === 0) return null;
  return (
    <section aria-labelledby="ready-made">
      <h2 id="ready-made">Ready-made</h2>
      <div className="template-cards">
        {found.map(({ id, about, template }) => (
          <article key={id} className="panel template-card" aria-label={template.name}>
            <TemplateStrip template={template} photos={sample} batch="Autumn shelf" />
            <div className="facts">
              <strong>{template.name}</strong>
              <div className="small-text name-line" title={about}>
                {about}
              </div>
              <div className="muted small-text name-line" title={makesWords(template)}>
                {makesWords(template)}
              </div>
              <MayButton least="maker" variant="quiet" className="mt-1 card-action" onClick={() => onTake(template)}>
                Take as my own…<span className="visually-hidden"> {template.name}</span>
              </MayButton>
            </div>
          </article>
        ))}
      </div>
    </section>
  );
}
