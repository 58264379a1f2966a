import Papa from 'papaparse';

/** Rows as CSV (RFC 4180). */
export const toCsv = (rows: readonly (readonly (string | number)[])[]): string =>
  `${Papa.unparse(rows as (string | number)[][], { newline: '\r\n' })}\r\n`;
