/** What is wrong with a field, in words that go on from its path: `outputs[0].width: must be at most 16384`. */
import type { z } from 'zod';

type Issue = z.core.$ZodRawIssue;
type Words<Code extends Issue['code']> = (issue: Extract<Issue, { code: Code }>) => string;

/** What values are called, by what a schema or JavaScript calls their kind. */
const KINDS: Readonly<Record<string, string>> = {
  int: 'a whole number',
  string: 'text',
  boolean: 'true or false',
  array: 'a list',
  tuple: 'a list',
  null: 'null',
  object: 'an object',
  record: 'an object',
};
const named = (kind: string) => KINDS[kind] ?? `a ${kind}`;

const kindOf = (value: unknown): string => (value === null ? 'null' : Array.isArray(value) ? 'array' : typeof value);

/** What is counted of a value, with how many of it. */
const UNITS: Readonly<Record<string, readonly [one: string, several: string]>> = {
  string: ['character', 'characters'],
  array: ['entry', 'entries'],
};

/** How far a value may go: a number itself, of all else how much of it there is. */
function upTo(bound: string, count: number | bigint, origin: string): string {
  const units = UNITS[origin];
  return units ? `must have ${bound} ${count} ${count === 1 ? units[0] : units[1]}` : `must be ${bound} ${count}`;
}

const said = (value: unknown) => (typeof value === 'string' && value !== '' ? value : JSON.stringify(value));

const either = (words: readonly string[]): string =>
  words.length > 1 ? `${words.slice(0, -1).join(', ')} or ${words.at(-1)}` : words.join();

/** One of a few values; the first ones of many. */
function oneOf(values: readonly unknown[]): string {
  const words = values.slice(0, 24).map(said);
  return values.length > words.length ? `must be one of ${words.join(', ')} and others` : `must be ${either(words)}`;
}

const FORMS: Readonly<Record<string, string>> = {
  email: 'must be an e-mail address',
  base64: 'must be written as base64',
};

const ofType: Words<'invalid_type'> = ({ expected, input }) => {
  if (input === undefined) return 'is missing';
  const wanted = `must be ${named(expected)}`;
  // Fractions and what is no number are numbers to JavaScript.
  const isOne = typeof input === 'number' && (expected === 'int' || expected === 'number');
  return isOne ? wanted : `${wanted}, not ${named(kindOf(input))}`;
};

const MUST = /^must be (.+?)(, not .*)?$/;

/** What a value may be by each of several schemas; where they say more of it than its kind, that is too much for one sentence. */
function anyOf(all: readonly (z.core.$ZodIssue | undefined)[]): string {
  const kinds = all.map((issue) => (issue?.path.length === 0 ? MUST.exec(issue.message)?.[1] : undefined));
  return kinds.every((kind) => kind !== undefined)
    ? `must be ${either([...new Set(kinds)])}`
    : 'is none of what it may be';
}

const WORDS: { readonly [Code in Issue['code']]?: Words<Code> } = {
  invalid_type: ofType,
  too_small: ({ minimum, inclusive, origin }) => {
    if (minimum === 1 && origin === 'string') return 'must not be empty';
    return upTo(inclusive === false ? 'more than' : 'at least', minimum, origin);
  },
  too_big: ({ maximum, inclusive, origin }) => upTo(inclusive === false ? 'less than' : 'at most', maximum, origin),
  not_multiple_of: ({ divisor }) => `must be a multiple of ${divisor}`,
  invalid_value: ({ values }) => oneOf(values),
  invalid_format: ({ format }) => FORMS[format] ?? 'is not written as it must be',
  unrecognized_keys: () => 'is not a field here',
  invalid_key: () => 'has a name that nothing here may have',
  invalid_union: (issue) => {
    const { options } = issue as { readonly options?: readonly unknown[] };
    return options?.length ? oneOf(options) : anyOf(issue.errors.map(([first]) => first));
  },
};

/**
 * Zod's words for what people get to read: handed on with what is parsed. What a schema says itself comes first.
 *
 * @example schema.parse(value, { error: inWords })
 */
export function inWords(issue: Issue): string | undefined {
  const words = WORDS[issue.code] as ((one: Issue) => string) | undefined;
  return words?.(issue);
}

/** Field path in the notation of documents: `borders[0].width`. */
function pathOf(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) => (typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key)),
    '',
  );
}

/** Of what could be one of several things, what is wrong with the one that it is most like: the deepest fault. */
function nearest(issue: z.core.$ZodIssue): z.core.$ZodIssue {
  if (issue.code !== 'invalid_union') return issue;
  const deepest = issue.errors
    .flatMap(([first]) => (first ? [nearest(first)] : []))
    .reduce<z.core.$ZodIssue | null>((a, b) => (a && a.path.length >= b.path.length ? a : b), null);
  return deepest && deepest.path.length > 0 ? { ...deepest, path: [...issue.path, ...deepest.path] } : issue;
}

/** What is wrong, and the path of its field; an empty one where it is all of it. */
type Fault = { readonly at: string; readonly message: string; readonly isUnknownField: boolean };

/** The first thing that is wrong. */
export function faultOf({ issues }: z.core.$ZodError): Fault {
  const issue = nearest(issues[0]!);
  const isUnknownField = issue.code === 'unrecognized_keys';
  const path = isUnknownField ? [...issue.path, issue.keys[0]!] : issue.path;
  return { at: pathOf(path), message: issue.message, isUnknownField };
}
