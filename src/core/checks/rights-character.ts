import { firstMention } from '../document/prose.js';
import type { Rule } from './rule.js';

const BORROWED =
  /[™®]|(?<!\p{L})(?:fan ?art|inspired by the (?:film|movie|book|series|game|show|comic)|(?:character|figure)s? (?:from|of) the (?:film|movie|book|series|game|show|comic)|from the (?:film|movie|series|video ?game|tv show))(?!\p{L})/iu;

export const rightsCharacter: Rule = {
  id: 'rights/character',
  severity: 'hint',
  across: true,
  about: 'The text speaks of a figure that may belong to somebody: worth asking before it is sold.',
  failing: {
    text: 'US terms\n\nA little dragon, inspired by the film.\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n',
    says: ['inspired by the film'],
  },
  passing:
    'US terms\n\nA little dragon, out of my own head.\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n',
  *check({ pattern }, prose) {
    const span = firstMention(prose.talk, BORROWED);
    if (!span) return;
    const words = pattern.source.text.slice(span.from, span.to);
    yield {
      span,
      round: null,
      message: `"${words}": whose figure it is, and whether it may be sold, is for the designer to say.`,
    };
  },
};
