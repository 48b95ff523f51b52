/** A phrase as the start of a sentence: first letter large. */
export function capital(phrase: string): string {
  return phrase.charAt(0).toUpperCase() + phrase.slice(1);
}

/** The name of a part of a rig as the subject of a sentence: "the peg in firm clay, left middle,". */
export function asSubject(name: string): string {
  const named = /^(?:an?|the) /.test(name) ? name : `the ${name}`;
  return named.includes(', ') ? `${named},` : named;
}
