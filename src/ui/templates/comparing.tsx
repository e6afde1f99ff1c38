'use client';
import { useState } from 'react';
import { changesOf } from '@/core/changes';
import type { TemplateHistory } from '@/server/services';
import { Select } from '../shared/select';
import { useTemplates } from '../template/use-templates';
import { Compare } from './compare';
import { useComparedPhotos } from './use-compared-photos';

/** What another template is asked for by: `template 7`, beside the versions of this one, which are numbers. */
const OTHER = 'template ';

/** Two versions of a template, or another template and a version of this one: in words, and on photos. */
export function Comparing({ history }: { readonly history: TemplateHistory }) {
  const { id, versions } = history;
  const { data } = useTemplates();
  const others = (data?.templates ?? []).filter((other) => other.id !== id);
  const [from, setFrom] = useState(String(versions[1]?.version ?? ''));
  const [to, setTo] = useState(String(versions[0]!.version));
  const photos = useComparedPhotos(history);
  const own = versions.map(({ version }) => [String(version), `version ${version}`] as const);
  const before = from.startsWith(OTHER)
    ? others.find((other) => `${OTHER}${other.id}` === from)?.template
    : versions.find(({ version }) => String(version) === from)?.template;
  const after = versions.find(({ version }) => String(version) === to)!.template;
  const words = before ? changesOf(before, after) : [];
  return (
    <section className="panel p-3" aria-labelledby="compare">
      <div className="d-flex gap-3 align-items-center flex-wrap mb-2">
        <h2 id="compare" className="mb-0">
          Compare
        </h2>
        <Select
          label="From"
          value={from}
          options={[
            ...(before ? [] : [['', 'choose one'] as const]),
            ...own,
            ...others.map((other) => [`${OTHER}${other.id}`, other.name] as const),
          ]}
          onChange={setFrom}
        />
        <Select label="To" value={to} options={own} onChange={setTo} />
      </div>
      {before ? (
        <>
          <ul className="small-text">
            {words.map((one) => (
              <li key={one}>{one}</li>
            ))}
            {words.length === 0 && <li className="muted">They say the same.</li>}
          </ul>
          <Compare before={before} after={after} photos={photos} />
        </>
      ) : (
        <p className="muted mb-0">With another template, or with an older version once there is one.</p>
      )}
    </section>
  );
}
