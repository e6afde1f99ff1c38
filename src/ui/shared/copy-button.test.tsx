/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { CopyButton } from './copy-button';
import { said } from './say';

const copy = () => {
  render(<CopyButton label="Copy the link" text={() => 'https://shop.example/welcome'} />);
  fireEvent.click(screen.getByRole('button', { name: 'Copy the link' }));
};

afterEach(() => {
  Reflect.deleteProperty(navigator, 'clipboard');
  Reflect.deleteProperty(document, 'execCommand');
});

test('what was copied is on the clipboard', async () => {
  const writeText = jest.fn(() => Promise.resolve());
  Object.assign(navigator, { clipboard: { writeText } });
  copy();
  expect(await screen.findByRole('button', { name: 'Copied' })).toBeTruthy();
  expect(writeText).toHaveBeenCalledWith('https://shop.example/welcome');
});

test('a page without TLS, which has no clipboard to write to, copies by a selection', async () => {
  const copied: string[] = [];
  Object.assign(document, { execCommand: () => copied.push(String(window.getSelection())) });
  copy();
  expect(await screen.findByRole('button', { name: 'Copied' })).toBeTruthy();
  expect(copied).toEqual(['https://shop.example/welcome']);
});

test('where the browser refuses, nothing is called copied', async () => {
  Object.assign(navigator, { clipboard: { writeText: () => Promise.reject(new Error('not allowed')) } });
  copy();
  expect(await screen.findByRole('button', { name: /^Not copied/ })).toBeTruthy();
  expect(said()).toMatch(/^Not copied/);
});
