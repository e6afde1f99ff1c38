'use client';
import { useId, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Box, Shape } from '@/core/shape';
import { FONTS } from '@/core/fonts';
import { FileInput } from '../shared/file-input';
import { bringFont, letterShape, ownFonts } from './fonts';

type LettersFieldProps = {
  readonly text: string;
  readonly font: string;
  readonly room: Box;
  readonly action: string;
  readonly onMade: (shape: Shape) => void;
};

/** Asks for a file instead of a font. */
const BRING = 'bring a file';

/** One line of letters in a font that ships or is brought in, made into a shape. */
export function LettersField({ text: first, font: firstFont, room, action, onMade }: LettersFieldProps) {
  const id = useId();
  const [text, setText] = useState(first);
  const [font, setFont] = useState(firstFont);
  const file = useRef<HTMLInputElement>(null);
  const [error, setError] = useState<string | null>(null);
  const telling = (work: Promise<unknown>) =>
    void work.then(
      () => setError(null),
      (e: Error) => setError(e.message),
    );
  const make = async () => onMade(await letterShape(text.trim(), font, room));
  const names = [...new Set([...ownFonts(), ...(font in FONTS ? [] : [font])])];
  return (
    <Form
      className="letters"
      onSubmit={(event) => {
        event.preventDefault();
        telling(make());
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
        <Form.Select
          aria-label="Font"
          value={font}
          onChange={({ target: { value } }) => (value === BRING ? file.current?.click() : setFont(value))}
        >
          {Object.entries(FONTS).map(([name, label]) => (
            <option key={name} value={name}>
              {label}
            </option>
          ))}
          {names.map((name) => (
            <option key={name}>{name}</option>
          ))}
          <option value={BRING}>Bring a font file in…</option>
        </Form.Select>
        <FileInput
          ref={file}
          label="Font to bring in"
          accept=".ttf,.otf,.woff,.woff2,.ttc"
          onFile={(given) => telling(bringFont(given).then(setFont))}
        />
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
