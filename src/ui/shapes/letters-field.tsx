'use client';
import { useId, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Box, Shape } from '@/core/shape';
import { FONTS, type FontName } from '@/core/fonts';
import { letterShape } from './fonts';

type LettersFieldProps = {
  readonly text: string;
  readonly font: string;
  readonly room: Box;
  readonly action: string;
  readonly onMade: (shape: Shape) => void;
};

/** One line of letters in a shipped font, made into a shape. */
export function LettersField({ text: first, font: firstFont, room, action, onMade }: LettersFieldProps) {
  const id = useId();
  const [text, setText] = useState(first);
  const [font, setFont] = useState(firstFont as FontName);
  const [error, setError] = useState<string | null>(null);
  const make = async () => {
    try {
      onMade(await letterShape(text.trim(), font, room));
      setError(null);
    } catch (e) {
      setError((e as Error).message);
    }
  };
  return (
    <Form
      className="letters"
      onSubmit={(event) => {
        event.preventDefault();
        void make();
      }}
    >
      <div className="d-flex gap-2">
        <Form.Control
          id={`${id}-text`}
          aria-label="Letters"
          placeholder="Letters"
          value={text}
          maxLength={80}
          onChange={(event) => setText(event.target.value)}
        />
        <Form.Select aria-label="Font" value={font} onChange={(event) => setFont(event.target.value as FontName)}>
          {Object.entries(FONTS).map(([name, label]) => (
            <option key={name} value={name}>
              {label}
            </option>
          ))}
        </Form.Select>
        <Button type="submit" variant="plain" className="text-nowrap" disabled={text.trim() === ''}>
          {action}
        </Button>
      </div>
      {error && (
        <p className="text-danger small-text mb-0 mt-1" role="alert">
          ✕ {error}
        </p>
      )}
    </Form>
  );
}
