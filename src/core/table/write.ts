/** Tables as files and on the clipboard. */
import Papa from 'papaparse';
import type { Table } from './read';

/** What spreadsheets take for a formula; numbers with a sign are none (OWASP, CSV Injection: from memory). */
const FORMULA = /^(?:[=@\t\r]|[+-](?!\d*[.,]?\d+$))/;

/** A table as CSV with a mark of its encoding, so that spreadsheets read its accents; what they would take for formulas is marked with an apostrophe. */
export const tableText = ({ columns, rows }: Table): string =>
  `\ufeff${Papa.unparse([[...columns], ...rows.map((row) => [...row])], { newline: '\r\n', escapeFormulae: FORMULA })}\r\n`;

/** A block of cells as spreadsheets paste them. */
export const blockText = (cells: readonly (readonly string[])[]): string =>
  Papa.unparse(cells.map((row) => [...row]), { delimiter: '\t', newline: '\n' }); // prettier-ignore
