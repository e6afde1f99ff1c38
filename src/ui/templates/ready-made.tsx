'use client';
import { useMemo } from 'react';
import { parseTemplate, STARTING_FINISHES, STARTING_TEMPLATES, withFinish, type Template } from '@/core/template';
import type { StripPhoto } from '@/server/services';
import { MayButton } from '../people/may-button';
import { TemplateStrip } from './template-strip';
import { makesWords } from './template-words';

type ReadyMadeProps = {
  readonly search: string;
  readonly sample: readonly StripPhoto[];
  /** Asks for a name and saves a template of one's own. */
  readonly onTake: (template: Template) => void;
};

type Ready = { readonly id: string; readonly about: string; readonly template: Template };

const templates = (): Ready[] =>
  STARTING_TEMPLATES.map(({ id, about, document }) => ({ id, about, template: parseTemplate({ wobrel: 1, ...document }) })); // prettier-ignore

/** Finishes on the plainest shape, which can be any other afterwards. */
const finishes = (): Ready[] =>
  STARTING_FINISHES.map((finish) => ({
    id: finish.id,
    about: 'a finish, on a circle to begin with',
    template: withFinish(parseTemplate({ wobrel: 1, name: finish.name }), finish),
  }));

type GroupProps = ReadyMadeProps & { readonly id: string; readonly title: string; readonly all: readonly Ready[] };

function Group({ id: group, title, all, search, sample, onTake }: GroupProps) {
  const wanted = search.trim().toLowerCase();
  const found = all.filter(({ about, template }) => `${template.name} ${about}`.toLowerCase().includes(wanted));
  if (found.length === 0) return null;
  return (
    <section aria-labelledby={group} className="mb-4">
      <h2 id={group}>{title}</h2>
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

/** Templates and finishes that come with the application: taken as one's own, never changed themselves. */
export function ReadyMade(props: ReadyMadeProps) {
  const [ready, finished] = useMemo(() => [templates(), finishes()], []);
  return (
    <>
      <Group {...props} id="ready-made" title="Ready-made" all={ready} />
      <Group {...props} id="finishes" title="Finishes to begin with" all={finished} />
    </>
  );
}
