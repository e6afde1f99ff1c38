/** Before words about something to look at; the words say it all. */
export const FindingMark = () => (
  <span className="finding-mark" aria-hidden>
    ▲{' '}
  </span>
);
