'use client';
import { useId, useMemo, useState } from 'react';
import { Form } from 'react-bootstrap';
import Markdown from 'react-markdown';
import remarkGfm from 'remark-gfm';
import type { Guide } from '@/server/help';
import { WORDS } from '../shared/glossary';
import { plural } from '../shared/words';
import { searchIn } from './search';

/** Short guides to whole tasks, and what our own words mean. */
export function HelpScreen({ guides }: { readonly guides: readonly Guide[] }) {
  const id = useId();
  const [wanted, setWanted] = useState('');
  const search = useMemo(() => searchIn(guides), [guides]);
  const found = search(wanted);
  const isNothing = found.guides.length + found.words.length === 0;
  return (
    <main className="page help">
      <aside aria-label="Contents">
        <h1>Help</h1>
        <Form.Label htmlFor={id} className="visually-hidden">
          Search the help
        </Form.Label>
        <Form.Control
          id={id}
          type="search"
          placeholder="Search the help"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
        />
        <p className="muted small-text my-2" role="status">
          {isNothing
            ? 'Nothing here is about that.'
            : `${plural(found.guides.length, 'guide')}, ${plural(found.words.length, 'word')}`}
        </p>
        <nav aria-label="Guides">
          {found.guides.map((guide) => (
            <a key={guide.id} href={`#${guide.id}`}>
              {guide.title}
            </a>
          ))}
          {found.words.length > 0 && <a href="#words">Words</a>}
        </nav>
      </aside>
      <div>
        {found.guides.map((guide) => (
          <article key={guide.id} id={guide.id} aria-label={guide.title}>
            <h2>{guide.title}</h2>
            <Markdown remarkPlugins={[remarkGfm]}>{guide.body}</Markdown>
          </article>
        ))}
        {found.words.length > 0 && (
          <article id="words" aria-label="Words">
            <h2>Words</h2>
            <dl>
              {found.words.map((word) => (
                <div key={word}>
                  <dt>{word}</dt>
                  <dd>{WORDS[word]}</dd>
                </div>
              ))}
            </dl>
          </article>
        )}
      </div>
    </main>
  );
}
