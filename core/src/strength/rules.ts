import type { Required } from './document.js';

/** What a line is for; decides how much it must have left. */
export const USES = ['ridge', 'hangers', 'person'] as const;
export type Use = (typeof USES)[number];
export const USE_NAMES: Readonly<Record<Use, string>> = {
  ridge: 'a ridge or guy',
  hangers: 'a ridge with things hung on it',
  person: 'something that carries a person',
};

/** The three schools of strength. */
export const RULES = ['factor', 'share', 'chance'] as const;
export type Rule = (typeof RULES)[number];
export const RULE_NAMES: Readonly<Record<Rule, string>> = {
  factor: 'factor of safety',
  share: 'working share',
  chance: 'chance of failure',
};
/** How each school judges, in a sentence. */
export const RULE_WORDS: Readonly<Record<Rule, string>> = {
  factor: 'What the link holds, at typical reductions, divided by the pull.',
  share: 'The pull as a share of what the link holds at the low end of every range.',
  chance: 'How likely the pull is to pass what the link holds, from both ranges, for the night.',
};

/** Judgement; common practice asks 5 for people, 3 for hangers, 2 for tarps. Editable. */
export const DEFAULT_REQUIRED: Required = {
  factor: { ridge: 2, hangers: 3, person: 5 },
  share: { ridge: 0.5, hangers: 0.33, person: 0.2 },
  chance: { ridge: 0.01, hangers: 0.01, person: 0.001 },
};
/** Standing trunks are judged on bending at a quarter of green strength, whatever the use (judgement: 3 to 6). */
export const TRUNK_FACTOR = 4;
