'use client';
import { useId } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { create } from 'zustand';

type Question = {
  readonly title: string;
  readonly words: string;
  /** What the button says that does it. */
  readonly action: string;
};

type Asked = { readonly question: Question; readonly answer: (yes: boolean) => void };

const useAsked = create<{ readonly asked: Asked | null }>(() => ({ asked: null }));

/** Asks before something is done that people may not mean; one question at a time, a newer one calls an older off. */
export function ask(question: Question): Promise<boolean> {
  useAsked.getState().asked?.answer(false);
  return new Promise((resolve) => {
    const answer = (yes: boolean) => {
      useAsked.setState({ asked: null });
      resolve(yes);
    };
    useAsked.setState({ asked: { question, answer } });
  });
}

/** Where questions appear: once on every page. */
export function Questions() {
  const id = useId();
  const { asked } = useAsked();
  if (!asked) return null;
  const { question, answer } = asked;
  return (
    <Modal show onHide={() => answer(false)} aria-labelledby={id} role="alertdialog">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id={id}>
          {question.title}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>{question.words}</Modal.Body>
      <Modal.Footer>
        <Button variant="plain" onClick={() => answer(false)}>
          Cancel
        </Button>
        <Button autoFocus onClick={() => answer(true)}>
          {question.action}
        </Button>
      </Modal.Footer>
    </Modal>
  );
}
