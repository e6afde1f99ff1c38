/** Lengths as people type them: with units and simple sums. */
import { pixelsPerUnit, type Unit } from './units';

export type LengthContext = {
  /** The value that stands there now: "+300" adds to it. */
  readonly value: number;
  /** The unit that numbers without one are in, and of the answer. */
  readonly unit: Unit;
  readonly ppi: number;
  /** What a percentage is of. */
  readonly whole: number;
  /** Whether the length can be negative: else "-20" takes 20 off. */
  readonly signed: boolean;
};

const TOKEN = /\s*(?:(\d+(?:[.,]\d+)?|[.,]\d+)\s*(px|mm|cm|in|pt|%)?|([-+*/()]))/iy;

type Token = { readonly value: number } | { readonly sign: string };

function tokensOf(text: string, { unit, ppi, whole }: LengthContext): Token[] | null {
  const tokens: Token[] = [];
  TOKEN.lastIndex = 0;
  while (TOKEN.lastIndex < text.length) {
    const match = TOKEN.exec(text);
    if (!match) return null;
    const [, digits, given, sign] = match;
    if (sign) {
      tokens.push({ sign });
      continue;
    }
    const number = Number(digits!.replace(',', '.'));
    const named = given?.toLowerCase();
    if (named === '%') tokens.push({ value: (number / 100) * whole });
    else if (!named || named === unit) tokens.push({ value: number });
    else tokens.push({ value: (number * pixelsPerUnit(named as Unit, ppi)) / pixelsPerUnit(unit, ppi) });
  }
  return tokens;
}

/** Sums of products of numbers, brackets and signs; null where the tokens don't make one. */
function evaluate(tokens: readonly Token[]): number | null {
  let at = 0;
  const sign = () => {
    const token = tokens[at];
    return token && 'sign' in token ? token.sign : null;
  };
  const factor = (): number | null => {
    const token = tokens[at];
    if (!token) return null;
    at++;
    if ('value' in token) return token.value;
    if (token.sign === '(') {
      const inner = sum();
      if (sign() !== ')') return null;
      at++;
      return inner;
    }
    const after = token.sign === '-' || token.sign === '+' ? factor() : null;
    return after === null ? null : token.sign === '-' ? -after : after;
  };
  const chain = (next: () => number | null, signs: string, apply: (a: number, b: number, s: string) => number) => {
    let left = next();
    for (let s = sign(); left !== null && s !== null && signs.includes(s); s = sign()) {
      at++;
      const right = next();
      left = right === null ? null : apply(left, right, s);
    }
    return left;
  };
  const product = () => chain(factor, '*/', (a, b, s) => (s === '*' ? a * b : a / b));
  const sum = (): number | null => chain(product, '+-', (a, b, s) => (s === '+' ? a + b : a - b));
  const result = sum();
  return at === tokens.length && result !== null && Number.isFinite(result) ? result : null;
}

/**
 * Reads "110 mm", "+300", "1080/2", "50%", "(20 + 3) * 2 cm"; null where it makes no number.
 * A point or a comma may part the decimals.
 */
export function readLength(text: string, context: LengthContext): number | null {
  const tokens = tokensOf(text.trim(), context);
  if (!tokens || tokens.length === 0) return null;
  const first = tokens[0]!;
  const relative =
    'sign' in first && (first.sign === '+' || (first.sign === '-' && !context.signed) || '*/'.includes(first.sign));
  return evaluate(relative ? [{ value: context.value }, ...tokens] : tokens);
}
