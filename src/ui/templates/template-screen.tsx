'use client';
import { useQueryClient } from '@tanstack/react-query';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { changesOf } from '@/core/changes';
import { openWords } from '@/core/template';
import type { TemplateHistory, TemplateVersion } from '@/server/services';
import { anew } from '../shared/anew';
import { OthersNote } from '../people/others-note';
import { api } from '../shared/api';
import { useWatch } from '../shared/use-watch';
import { ask } from '../shared/ask';
import { NameDialog } from '../shared/name-dialog';
import { byWhom, when } from '../shared/words';
import { Comparing } from './comparing';
import { OpenDialog } from './open-dialog';
import { newBatchWith } from './template-card';
import { takeOut } from './template-file';
import { TemplateStrip } from './template-strip';
import { makesWords, outputsWords } from './template-words';
import { useHistoryOf } from './use-cards';
import { MayButton } from '../people/may-button';

/** What a version changed, in words. */
function changeWords(version: TemplateVersion, before: TemplateVersion | undefined): string {
  if (!before) return version.version === 1 ? 'the first' : makesWords(version.template);
  return changesOf(before.template, version.template).join('; ') || 'nothing changed';
}

type VersionsProps = { readonly history: TemplateHistory; readonly onBringBack: (version: number) => void };

function Versions({ history: { versions }, onBringBack }: VersionsProps) {
  return (
    <ol className="list-plain versions" aria-label="Versions">
      {versions.map((version, i) => (
        <li key={version.version}>
          <strong>Version {version.version}</strong>{' '}
          <span className="muted small-text">
            {when(version.savedAt)}
            {byWhom(version.madeBy)}
          </span>
          {version.note && <span className="small-text"> “{version.note}”</span>}
          <div className="small-text">{changeWords(version, versions[i + 1])}</div>
          {i > 0 && (
            <MayButton least="maker" variant="quiet" onClick={() => onBringBack(version.version)}>
              Bring version {version.version} back
            </MayButton>
          )}
        </li>
      ))}
    </ol>
  );
}

/** One template: its versions in words, compared, brought back; its name, tags and who uses it. */
export function TemplateScreen({ id }: { readonly id: number }) {
  const { data: history, error } = useHistoryOf(id);
  const client = useQueryClient();
  const router = useRouter();
  const [dialog, setDialog] = useState<'name' | 'tags' | 'open' | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const others = useWatch(`/api/templates/${id}/events`, async ({ isMore }, isGap) => {
    if (isMore || isGap) await anew(client, ['templates']);
  });
  if (error)
    return (
      <main className="page">
        <div className="empty">{error.message}</div>
      </main>
    );
  if (!history) return <main className="page muted">Opening…</main>;
  const { name, tags, versions, usedIn, strip, archivedAt } = history;
  const newest = versions[0]!;
  const doing = (work: () => Promise<unknown>) =>
    void work().then(
      () => anew(client, ['templates']),
      (e: Error) => setFailure(e.message),
    );
  const change = (fields: object) => api(`/api/templates/${id}`, 'PATCH', fields);
  const remove = async () => {
    const question = {
      title: `Delete “${name}”?`,
      words: `All ${versions.length} of its versions go. Batches that use it keep their own copy.`,
      action: 'Delete it',
    };
    if (!(await ask(question))) return;
    await api(`/api/templates/${id}`, 'DELETE');
    router.push('/templates');
  };
  return (
    <main className="page">
      <div className="d-flex flex-wrap align-items-center gap-2 mb-2">
        <h1 className="mb-0 name-line">{name}</h1>
        {archivedAt !== null && <span className="muted">put away</span>}
        <OthersNote others={others} />
        <span className="ms-auto d-flex gap-2 flex-wrap">
          <MayButton least="artist" onClick={() => doing(async () => router.push(await newBatchWith(id)))}>
            New batch
          </MayButton>
          <Button variant="plain" onClick={() => doing(() => takeOut(newest.template, history.open))}>
            Save as file
          </Button>
          <MayButton least="maker" variant="plain" onClick={() => setDialog('name')}>
            Rename…
          </MayButton>
          <MayButton least="maker" variant="plain" onClick={() => setDialog('tags')}>
            Tags…
          </MayButton>
          <MayButton least="maker" variant="plain" onClick={() => setDialog('open')}>
            Locks…
          </MayButton>
          <MayButton
            least="maker"
            variant="plain"
            onClick={() => doing(() => change({ archived: archivedAt === null }))}
          >
            {archivedAt === null ? 'Put away' : 'Bring back'}
          </MayButton>
          <MayButton least="maker" variant="plain" onClick={() => doing(remove)}>
            Delete…
          </MayButton>
        </span>
      </div>
      {failure && (
        <p className="text-danger" role="alert">
          ✕ {failure}
        </p>
      )}
      <p className="muted small-text">
        {makesWords(newest.template)} · {outputsWords(newest.template)}
        {tags.length > 0 && ` · ${tags.join(', ')}`}
        {history.open && ` · batches may change ${openWords(history.open)}`}
      </p>
      <div className="template-detail">
        <div>
          <div className="panel template-card mb-3">
            <TemplateStrip template={newest.template} photos={strip} batch={usedIn[0]?.name ?? ''} />
            <div className="facts small-text">
              {usedIn.length === 0
                ? 'No batch uses it yet.'
                : `Used in ${usedIn.length === 1 ? 'one batch' : `${usedIn.length} batches`}:`}
              <ul className="list-plain mb-0">
                {usedIn.map((batch) => (
                  <li key={batch.id}>
                    <Link href={`/batches/${batch.id}`}>{batch.name}</Link>{' '}
                    <span className="muted">version {batch.version}</span>
                  </li>
                ))}
              </ul>
            </div>
          </div>
          <h2>Versions</h2>
          <Versions
            history={history}
            onBringBack={(version) => doing(() => api(`/api/templates/${id}/versions`, 'POST', { version }))}
          />
        </div>
        <Comparing key={newest.version} history={history} />
      </div>
      {dialog === 'open' && (
        <OpenDialog
          open={history.open}
          onSave={async (open) => {
            await change({ open });
            setDialog(null);
            await anew(client, ['templates']);
          }}
          onHide={() => setDialog(null)}
        />
      )}
      {dialog && dialog !== 'open' && (
        <NameDialog
          title={dialog === 'name' ? 'Rename the template' : 'Tags of the template'}
          suggestion={dialog === 'name' ? name : tags.join(', ')}
          help={() => (dialog === 'name' ? 'Batches that use it follow.' : 'Words that it is found by, with commas between them.')} // prettier-ignore
          onSave={async (text) => {
            await change(dialog === 'name' ? { name: text } : { tags: text.split(',').map((one) => one.trim()).filter((one) => one !== '') }); // prettier-ignore
            setDialog(null);
            await anew(client, ['templates']);
          }}
          onHide={() => setDialog(null)}
        />
      )}
    </main>
  );
}
