/** A phrase as the start of a sentence: first letter large. */
export function capital(phrase: string): string {
  return phrase.charAt(0).toUpperCase() + phrase.slice(1);
}
