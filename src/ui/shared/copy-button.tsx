'use client';
import copyText from 'clipboard-copy';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { say } from './say';

type CopyButtonProps = {
  readonly label: string;
  readonly variant?: 'quiet';
  readonly text: () => string;
};

/** Puts text on the clipboard, and says whether it lies there: browsers refuse it, above all on pages without TLS. */
export function CopyButton({ label, variant, text }: CopyButtonProps) {
  const [outcome, setOutcome] = useState<string | null>(null);
  const tell = (words: string) => {
    setOutcome(words);
    say(words);
  };
  const copy = () =>
    copyText(text()).then(
      () => tell('Copied'),
      () => tell('Not copied: the browser refuses'),
    );
  return (
    <Button variant={variant} onClick={() => void copy()}>
      {outcome ?? label}
    </Button>
  );
}
