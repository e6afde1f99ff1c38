import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';
import { checkSettings, dataFolder, renderThreads, setting } from './config';

const before = { ...process.env };
afterEach(() => void (process.env = { ...before }));

test('what is not set, or is empty, is as it is without: only this machine is listened to', () => {
  for (const value of [undefined, '', '  ']) {
    for (const name of ['HOST', 'PORT', 'WOBREL_DATA', 'WOBREL_THREADS', 'WOBREL_URL'])
      if (value === undefined) delete process.env[name];
      else process.env[name] = value;
    expect([setting('HOST'), setting('PORT'), setting('WOBREL_URL')]).toEqual(['127.0.0.1', 4310, undefined]);
    expect(dataFolder()).toBe(resolve('.data'));
    expect(renderThreads()).toBe(availableParallelism());
  }
});

test.each([
  ['PORT', 'abc', 'PORT=abc: must be a number'],
  ['PORT', '80.5', 'PORT=80.5: must be a whole number'],
  ['PORT', '65536', 'PORT=65536: must be at most 65535'],
  ['WOBREL_THREADS', '0', 'WOBREL_THREADS=0: must be at least 1'],
  [
    'WOBREL_URL',
    'photos.example',
    'WOBREL_URL=photos.example: must be an address that begins with http:// or https://',
  ],
])('%s=%s is told by its name', (name, value, message) => {
  process.env[name] = value;
  expect(checkSettings).toThrow(expect.objectContaining({ code: 'bad-setting', at: name, message }));
});
