import fc from 'fast-check';
import {
  blockText,
  changedData,
  columnOfNames,
  dataChangeSchema,
  decoded,
  encodingOf,
  fieldListSchema,
  matchRows,
  newFieldName,
  readBlock,
  readTable,
  tableText,
  takeTable,
} from '.';

const photos = ['Mug 1.JPG', 'café.jpg', 'jug.png', 'jug.tif', 'bowl'].map((name) => ({ name }));

describe('reading', () => {
  // RFC 4180 §2, rules 5 to 7: fields in quotation marks with commas, line breaks and doubled marks.
  test('quoted commas, line breaks and quotation marks', () => {
    const { columns, rows } = readTable('photo,title\r\n"a,b.jpg","He said ""now"""\r\nc.jpg,"two\r\nlines"\r\n');
    expect(columns).toEqual(['photo (data)', 'title']);
    expect(rows).toEqual([
      ['a,b.jpg', 'He said "now"'],
      ['c.jpg', 'two lines'],
    ]);
  });

  test.each([
    ['commas', 'a,b\n1,2', ','],
    ['semicolons beside decimal commas', 'a;b\n1,5;2,5', ';'],
    ['tabs', 'a\tb\n1, 2\t3', '\t'],
    ['upright lines', 'a|b\n1|2', '|'],
  ])('%s are recognised', (_, text, separator) => {
    const table = readTable(text);
    expect([table.separator, table.columns]).toEqual([separator, ['a', 'b']]);
  });

  test('short rows are filled up, empty ones left out, long ones cut to the columns there may be', () => {
    expect(readTable('a,b\n1\n\n,,\n1,2,3').rows).toEqual([['1', '', ''], ['1', '2', '3']]); // prettier-ignore
    expect(readTable('a,b\n1').columns).toEqual(['a', 'b']);
    const wide = readTable(Array.from({ length: 80 }, (_, i) => `c${i}`).join(','));
    expect(wide.columns).toHaveLength(60);
    expect(wide.faults).toEqual(['Only the first 60 of 80 columns are taken.']);
  });

  test('names of columns are there, free of braces, and each once', () => {
    const names = readTable('Title,title, Title ,,{sku|x},Width,__proto__\n1').columns;
    expect(names).toEqual(['Title', 'title 2', 'Title 3', 'Column 4', 'sku x', 'Width (data)', 'proto']);
    expect(fieldListSchema.safeParse(names).success).toBe(true);
  });

  test('without names in its first row every row is data', () => {
    expect(readTable('a,b\nc,d', { named: false })).toMatchObject({ columns: ['Column 1', 'Column 2'], rows: [['a', 'b'], ['c', 'd']] }); // prettier-ignore
  });

  test('a quotation mark that is never closed is told', () => {
    expect(readTable('a,b\n1,"2\n3,4').faults[0]).toMatch(/quotation mark/);
  });

  test('nothing is a table of nothing', () => {
    for (const text of ['', '\n\n', '\ufeff']) expect(readTable(text)).toMatchObject({ columns: [], rows: [] });
  });
});

describe('encodings', () => {
  const text = 'photo;title\nä.jpg;Schüssel – groß';
  const utf16 = Buffer.from(text, 'utf16le');
  test.each([
    ['utf-8', Buffer.from(text)],
    ['utf-8', Buffer.from(`\ufeff${text}`)],
    ['utf-16le', utf16],
    ['utf-16le', Buffer.concat([Buffer.from([0xff, 0xfe]), utf16])],
    ['utf-16be', Buffer.concat([Buffer.from([0xfe, 0xff]), Buffer.from(utf16).swap16()])],
  ] as const)('%s is recognised and read', (encoding, bytes) => {
    expect(encodingOf(bytes)).toBe(encoding);
    expect(readTable(decoded(bytes, encoding)).rows).toEqual([['ä.jpg', 'Schüssel – groß']]);
  });

  // WHATWG Encoding Standard, index windows-1252: 0x80 is the euro sign, 0x96 an en dash, 0xFC is ü.
  test('what is no UTF-8 is read as western', () => {
    const bytes = Uint8Array.of(0x61, 0x2c, 0x62, 0x0a, 0x80, 0x2c, 0x96, 0xfc);
    expect(encodingOf(bytes)).toBe('windows-1252');
    expect(readTable(decoded(bytes, 'windows-1252')).rows).toEqual([['€', '–ü']]);
  });
});

describe('rows find their photos', () => {
  const match = (rows: readonly string[]) => {
    const table = readTable(['file', ...rows].join('\n'), { separator: ',' });
    const { rowOf, ...rest } = matchRows(table, 0, photos);
    return { ...rest, rowOf: Object.fromEntries([...rowOf].map(([photo, row]) => [photos[photo]!.name, row])) };
  };

  test('with or without ending and folder, whatever capitals and accents', () => {
    expect(match(['mug 1', 'CAFE.jpg', 'shop\\2026/bowl.heic']).rowOf).toEqual({ 'Mug 1.JPG': 0, 'café.jpg': 1, bowl: 2 }); // prettier-ignore
    expect(match(['cafe\u0301']).rowOf).toEqual({ 'café.jpg': 0 });
  });

  test('a name with its ending is that file, one without means all that are called so', () => {
    expect(match(['jug.tif', 'jug']).rowOf).toEqual({ 'jug.tif': 0, 'jug.png': 1 });
    expect(match(['jug']).rowOf).toEqual({ 'jug.tif': 0, 'jug.png': 0 });
  });

  test('the unmatched are told both ways, and rows for a photo that has one', () => {
    expect(match(['plate.jpg', 'bowl', 'bowl.jpg', 'jug'])).toMatchObject({
      spare: [0],
      doubled: [2],
      lacking: [0, 1],
    });
  });

  test('the column that names most photos is the one', () => {
    const table = readTable('title,picture,other\nbowl,jug.png,x\nA mug,mug 1.jpg,bowl\nx,cafe,y');
    expect(columnOfNames(table, photos)).toBe(1);
    expect(columnOfNames(readTable('a,b\n1,2'), photos)).toBeNull();
  });
});

describe('taking a table in', () => {
  const table = readTable('file,TITLE,Price\nbowl,Blue bowl,12\njug,,9');
  const taken = takeTable(table, matchRows(table, 0, photos), [1, 2], ['Title', 'Maker']);

  test('a column that is called like a field goes into it, others are added', () => {
    expect(taken.fields).toEqual(['Title', 'Maker', 'Price']);
    expect(taken.changes.get(4)).toEqual({ Title: 'Blue bowl', Price: '12' });
  });

  test('empty cells change nothing', () => expect(taken.changes.get(2)).toEqual({ Price: '9' }));

  test('a change goes over what there was; null and nothing take a field away', () => {
    expect(changedData({ a: '1', b: '2', c: '3' }, { a: null, b: '', d: '4' })).toEqual({ c: '3', d: '4' });
  });
});

describe('fields', () => {
  test('a new one has a name that is free', () => {
    expect(newFieldName(' Title  of {it}', ['Maker'])).toBe('Title of it');
    expect(() => newFieldName(' maker ', ['Maker'])).toThrow(/already/);
    expect(() => newFieldName('INDEX', [])).toThrow(/\{index\}/);
    expect(() => newFieldName('{}', [])).toThrow(/needs a name/);
  });

  test.each([[['a', 'A']], [['{x}']], [['index']], [['']], [['__proto__']]])('%j are no fields', (names) =>
    expect(fieldListSchema.safeParse(names).success).toBe(false),
  );

  test('a change of data has names of fields and texts', () => {
    expect(dataChangeSchema.safeParse({ Title: 'x', Maker: null }).success).toBe(true);
    for (const bad of [{ 'a|b': 'x' }, { a: 5 }, { a: 'x'.repeat(2001) }])
      expect(dataChangeSchema.safeParse(bad).success).toBe(false);
  });
});

describe('writing', () => {
  const cell = fc.string({ unit: 'grapheme', maxLength: 20 }).map((text) => text.replace(/[\p{Cc}\u2028\u2029]/gu, '').trim()); // prettier-ignore
  const full = cell.filter((text) => text !== '' && !text.startsWith("'"));

  test('what is written is read again as it was', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(full, cell, cell), { minLength: 1, maxLength: 20 }), (rows) => {
        const read = readTable(tableText({ columns: ['A', 'B', 'C'], rows }), { separator: ',' });
        expect([read.columns, read.rows, read.faults]).toEqual([['A', 'B', 'C'], rows, []]);
      }),
    );
  });

  test('what a spreadsheet would run as a formula is marked, numbers are not', () => {
    const text = tableText({ columns: ['A'], rows: [['=1+1'], ['@x'], ['-5'], ['+3,5'], ['-cmd|x']] });
    expect(text).toBe(`\ufeffA\r\n"'=1+1"\r\n"'@x"\r\n-5\r\n"+3,5"\r\n"'-cmd|x"\r\n`);
  });

  test('a block goes to the clipboard and comes back', () => {
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 2, maxLength: 2 }), { minLength: 1, maxLength: 9 }), (cells) => {
        expect(readBlock(blockText(cells))).toEqual(cells);
      }),
    );
  });
});
