import { describe, expect, it } from 'vitest';

const TOOLS = import.meta.glob<string>('../tools/*.{js,mjs}', {
  query: '?raw',
  import: 'default',
  eager: true,
});
const FILES = import.meta.glob('/src/**/*.{ts,tsx}');

describe('the tools of the bench', () => {
  it('name files of the page that are there', () => {
    const named = Object.values(TOOLS).flatMap((text) =>
      [...text.matchAll(/'(\/src\/[^']+)'/g)].map((m) => m[1]),
    );
    expect(named.length).toBeGreaterThan(4);
    expect(named.filter((file) => !(file in FILES))).toEqual([]);
  });
});
