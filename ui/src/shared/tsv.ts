/** A number as tables write it. */
const NUMBER = /^[+-]?\d[\d.,]*(e[+-]?\d+)?$/i;

/**
 * A cell of a table for other programs: on one line, and never a formula. A name that begins as one
 * would be worked out by a spreadsheet, whoever wrote it.
 */
export function cell(value: unknown): string {
  const text = String(value ?? '').replace(/[\t\r\n]/g, ' ');
  return /^[=+\-@]/.test(text.trimStart()) && !NUMBER.test(text.trim()) ? `'${text}` : text;
}

/** Rows as tab-separated text. */
export const tsv = (rows: unknown[][]) => rows.map((r) => r.map(cell).join('\t')).join('\n');
