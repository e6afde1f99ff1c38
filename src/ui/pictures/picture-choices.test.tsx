/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { PictureChoices } from './picture-choices';

test('among more than are shown, a name is looked for', () => {
  const onPick = jest.fn();
  const choices = Array.from({ length: 30 }, (_, i) => ({
    key: String(i),
    name: `${i % 2 ? 'Leaf' : 'stamp'} ${i}.png`,
    address: `/${i}`,
    onPick: () => onPick(i),
  }));
  render(<PictureChoices label="Kept pictures" noun="picture" choices={choices} />);
  expect(screen.getAllByRole('listitem')).toHaveLength(24);
  screen.getByText('and 6 more: look for them above.');

  fireEvent.change(screen.getByLabelText('Look for a picture'), { target: { value: ' leaf 2' } });
  expect(screen.getAllByRole('listitem')).toHaveLength(5);
  expect(screen.queryByText(/more: look/)).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: /leaf 29/i }));
  expect(onPick).toHaveBeenCalledWith(29);

  fireEvent.change(screen.getByLabelText('Look for a picture'), { target: { value: 'kiln' } });
  expect(screen.queryAllByRole('listitem')).toHaveLength(0);
  screen.getByText('No picture found.');
});
