import { isMeant } from './meant';

const file = (name: string, fields: object = {}) => ({ name, webkitRelativePath: '', ...fields });

test.each([
  [file('IMG_1.jpg')],
  [file('IMG_1.jpg', { path: './shelf/IMG_1.jpg' })],
  [file('..odd.jpg')],
  [file('1.jpg', { webkitRelativePath: 'Autumn v1.2/1.jpg' })],
])('%j is meant', (one) => expect(isMeant(one)).toBe(true));

test.each([
  [file('._IMG_1.jpg')],
  [file('._IMG_1.jpg', { path: './shelf/._IMG_1.jpg' })],
  [file('Thumbs.db')],
  [file('desktop.ini', { webkitRelativePath: 'shelf/desktop.ini' })],
  [file('1.jpg', { webkitRelativePath: 'shelf/.previews/1.jpg' })],
  [file('1.jpg', { path: '/shelf/.previews/1.jpg' })],
])('%j is not', (one) => expect(isMeant(one)).toBe(false));
