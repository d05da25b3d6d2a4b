/** Whether a text has all words that are sought, whole or in part, in small letters or not. */
export function hasWords(text: string, sought: string): boolean {
  const all = text.toLowerCase();
  return sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}
