import { WobrelError } from './errors';

class TryLater extends WobrelError {}

/** The class as another bundle of the same process has it. */
function another(): typeof WobrelError {
  let made: typeof WobrelError | undefined;
  jest.isolateModules(() => {
    made = jest.requireActual<{ WobrelError: typeof WobrelError }>('./errors').WobrelError;
  });
  return made!;
}

test('a refusal is known for one, whichever copy of its class it was made by', () => {
  const Other = another();
  expect(Other).not.toBe(WobrelError);
  expect(new Other('gone', 'It is gone.') instanceof WobrelError).toBe(true);
  expect(new WobrelError('gone', 'It is gone.') instanceof Other).toBe(true);
});

test('other errors are none, and what may be tried again is told apart from refusals', () => {
  for (const value of [new Error('x'), { name: 'WobrelError' }, null, 'WobrelError'])
    expect((value as unknown) instanceof WobrelError).toBe(false);
  expect(new TryLater('try-later', 'busy') instanceof WobrelError).toBe(true);
  expect(new TryLater('try-later', 'busy') instanceof TryLater).toBe(true);
  expect(new WobrelError('gone', 'It is gone.') instanceof TryLater).toBe(false);
});
