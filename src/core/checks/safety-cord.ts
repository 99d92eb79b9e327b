import { BALL, reminder } from './reminder.js';

export const safetyCord = reminder(
  'safety/cord',
  'A long cord or a loop is used, and no caution about strangling stands in the text.',
  /(?<!\p{L})(?:(?:draw|pull|apron|neck)[- ]?strings?|cords?|lanyards?|(?:carrying|shoulder|neck|chin) straps?|straps? (?:on )?(?:for carrying|(?:round|around) )|hanging loops?|(?:loops?|strings?|ties?) of (?:[4-9]\d|\d{3}) ?ch\p{L}*|(?:ribbons?|strings?|elastics?) of (?:[3-9]\d|\d{3}) ?cm|ribbons? (?:round|around) (?:the|its|his|her) neck|necklaces?)(?!\p{L})/iu,
  /strang|tangle|chok|(?:not|never|n['’]t)[^.]{0,40}(?:in|over|on) (?:a|the) (?:crib|cot|bed|pram)|(?:short|no longer|less|not more|longer|under|max)[^.]{0,40}\d+ ?(?:cm|in|mm)|(?:sew|sewn|stitch)[^.]{0,60}(?:cord|ribbon|string)[^.]{0,40}(?:firm|secure|in place|fast)|not (?:suitable |safe |meant )?for (?:small |young )?(?:child|bab)|out of (?:the )?reach/iu,
  'no caution about cords stands in the text. Usual: no cord or loop longer than 20 cm on a toy for small children.',
  {
    failing: { text: `US terms\n\n${BALL}Tie a cord round the ball.\n`, says: ['20 cm'] },
    passing: `US terms\n\n${BALL}Tie a short cord round the ball, no longer than 20 cm.\n`,
  },
);
