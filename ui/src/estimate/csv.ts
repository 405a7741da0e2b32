/** Numbers behind a chart. */
export interface Numbers {
  columns: string[];
  rows: (string | number)[][];
}

const cell = (v: string | number) =>
  typeof v === 'number'
    ? String(Number(v.toPrecision(7)))
    : /[",\n]/.test(v)
      ? `"${v.replaceAll('"', '""')}"`
      : v;

/** As a CSV file (RFC 4180). */
export const csv = (n: Numbers) =>
  [n.columns, ...n.rows].map((r) => r.map(cell).join(',')).join('\r\n') + '\r\n';

/** Hands a file to the person. */
export function save(name: string, content: BlobPart, type: string) {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
