/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { ShowAll } from './show-all';

function List() {
  const [isAll, setAll] = useState(false);
  return (
    <ShowAll isAll={isAll} onChange={setAll}>
      Show all 60
    </ShowAll>
  );
}

test('whoever has asked for all by keys is still there, and can go back', () => {
  render(<List />);
  const button = screen.getByRole('button', { name: 'Show all 60', expanded: false });
  button.focus();
  fireEvent.click(button);
  expect(document.activeElement).toBe(screen.getByRole('button', { name: 'Show the first only', expanded: true }));
  fireEvent.click(button);
  expect(screen.getByRole('button', { name: 'Show all 60', expanded: false })).toBe(button);
});
