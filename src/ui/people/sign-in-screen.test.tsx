/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from '@testing-library/react';
import { renderToString } from 'react-dom/server';
import { SignInScreen } from './sign-in-screen';

const api = jest.fn(async (..._: unknown[]) => ({}));
jest.mock('../shared/api', () => ({ api: (...asked: unknown[]) => api(...asked) }));
const leaveFor = jest.fn();
jest.mock('../shared/leave', () => ({ leaveFor: (path: string) => leaveFor(path) }));

test('what was typed before the page came alive stays, and nothing can be sent until then', async () => {
  const container = document.body.appendChild(document.createElement('div'));
  container.innerHTML = renderToString(<SignInScreen then="/batches/7" />);
  const email = screen.getByLabelText<HTMLInputElement>('E-mail address');
  const button = screen.getByRole<HTMLButtonElement>('button', { name: 'Sign in' });
  email.value = 'mia@example.org';
  expect(button.disabled).toBe(true);

  await act(async () => render(<SignInScreen then="/batches/7" />, { container, hydrate: true }));
  expect(button.disabled).toBe(false);
  fireEvent.click(screen.getByLabelText('Show it'));
  fireEvent.change(screen.getByLabelText('Password'), { target: { value: 'clay and kiln' } });
  await act(async () => fireEvent.click(button));
  expect(api).toHaveBeenCalledWith('/api/session', 'POST', { email: 'mia@example.org', password: 'clay and kiln' });
  expect(leaveFor).toHaveBeenCalledWith('/batches/7');
});
