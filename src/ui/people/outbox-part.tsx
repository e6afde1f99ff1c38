'use client';
import { LongList } from '../shared/long-list';
import { plural } from '../shared/words';
import { linkTo } from './link-dialog';
import { useOutbox } from './use-people';

/** Mail that would be sent if any left this machine. */
export function OutboxPart() {
  const { data } = useOutbox();
  return (
    <details className="panel p-3 mb-3">
      <summary>
        Outbox
        <span className="muted ms-2">
          {data && (data.mails.length === 0 ? 'empty' : plural(data.mails.length, 'message'))}
        </span>
      </summary>
      <p className="muted mt-2">
        No mail leaves this machine. Here is what would have been sent and has not been used.
      </p>
      {data && (
        <LongList all={data.mails} noun="message" textOf={({ to, subject }) => `${subject} ${to}`}>
          {(shown) =>
            shown.map(({ id, to, subject, token }) => (
              <div key={id} className="mb-2">
                <strong>{subject}</strong> to {to}
                <div className="small-text text-break">
                  <code>{linkTo(token)}</code>
                </div>
              </div>
            ))
          }
        </LongList>
      )}
    </details>
  );
}
