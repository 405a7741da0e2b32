// Writes the fonts of printed reports as TrueType, which the server embeds: those of the page, and one that has every other sign.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { inflateSync } from 'node:zlib';

const OUT = 'target/classes/fonts';
const PAGE = 'node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin';
const SIGNS = 'node_modules/dejavu-fonts-ttf/ttf';

/** A WOFF 1.0 file is a TrueType file whose tables are packed one by one (W3C, 2012). */
function unpacked(woff) {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new Error('not a WOFF file');
  const n = woff.readUInt16BE(12);
  const tables = Array.from({ length: n }, (_, i) => {
    const at = 44 + 20 * i;
    const from = woff.readUInt32BE(at + 4);
    const packed = woff.readUInt32BE(at + 8);
    const length = woff.readUInt32BE(at + 12);
    const bytes = woff.subarray(from, from + packed);
    return {
      tag: woff.subarray(at, at + 4),
      sum: woff.readUInt32BE(at + 16),
      bytes: packed < length ? inflateSync(bytes) : bytes,
    };
  });
  const power = Math.floor(Math.log2(n));
  const head = Buffer.alloc(12 + 16 * n);
  woff.copy(head, 0, 4, 8);
  head.writeUInt16BE(n, 4);
  head.writeUInt16BE(16 << power, 6);
  head.writeUInt16BE(power, 8);
  head.writeUInt16BE(16 * n - (16 << power), 10);
  const parts = [head];
  let at = head.length;
  tables.forEach((t, i) => {
    const to = 12 + 16 * i;
    t.tag.copy(head, to);
    head.writeUInt32BE(t.sum, to + 4);
    head.writeUInt32BE(at, to + 8);
    head.writeUInt32BE(t.bytes.length, to + 12);
    const filled = Buffer.alloc((t.bytes.length + 3) & ~3);
    t.bytes.copy(filled);
    parts.push(filled);
    at += filled.length;
  });
  return Buffer.concat(parts);
}

mkdirSync(OUT, { recursive: true });
for (const [name, weight] of [
  ['regular', 400],
  ['bold', 700],
])
  for (const subset of ['', '-ext'])
    writeFileSync(
      `${OUT}/page${subset}-${name}.ttf`,
      unpacked(readFileSync(`${PAGE}${subset}-${weight}-normal.woff`)),
    );
writeFileSync(`${OUT}/signs-regular.ttf`, readFileSync(`${SIGNS}/DejaVuSans.ttf`));
writeFileSync(`${OUT}/signs-bold.ttf`, readFileSync(`${SIGNS}/DejaVuSans-Bold.ttf`));
