import { DOMParser } from '@xmldom/xmldom';
import fc from 'fast-check';
import { fieldsOf } from '../fields';
import { parseTemplate } from '../template';
import { metadataFor, xmpOf } from '.';

const data = { Title: 'Blue bowl', 'Alternative text': '  A blue bowl on a shelf. ', Maker: '' };
const fields = fieldsOf({ photo: 'bowl.jpg', batch: 'B', index: 1, data, template: 'T', output: 'o', width: 1, height: 1 }); // prettier-ignore
const textsOf = (metadata: object) => parseTemplate({ wobrel: 1, name: 'T', metadata }).metadata;

test('texts are filled in; what says nothing is left out', () => {
  const texts = textsOf({ title: '{title|upper}', alt: '{alternative text}', creator: '{maker}', copyright: '© {no such field}' }); // prettier-ignore
  expect(metadataFor(texts, fields)).toEqual({ title: 'BLUE BOWL', alt: 'A blue bowl on a shelf.', copyright: '©' });
  expect(metadataFor(textsOf({}), fields)).toEqual({});
});

test('nothing to say is no packet', () => expect(xmpOf({})).toBeNull());

test('whatever a text holds, the packet is well-formed XML that says it again', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary', minLength: 1 }), (text) => {
      const document = new DOMParser({ onError: (level, message) => { if (level !== 'warning') throw new Error(message); } }).parseFromString(xmpOf({ title: text, creator: 'x' })!, 'text/xml'); // prettier-ignore
      // XML 1.0 §2.2: characters that it can't hold; §2.11: line ends are read as one.
      const held = text
        .replace(/\p{Cs}/gu, '\ufffd')
        .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '');
      const said = document.getElementsByTagName('dc:title')[0]!.textContent;
      expect(said).toBe(held.replace(/\r\n?/g, '\n'));
    }),
  );
});
