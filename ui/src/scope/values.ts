/** A value as people write it. */
export function shownValue(text: string): string {
  return text === 'TRUE' ? 'yes' : text === 'FALSE' ? 'no' : text;
}
