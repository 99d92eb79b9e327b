import { BALL, reminder } from './reminder.js';

export const safetyWire = reminder(
  'safety/wire',
  'Wire is used, and no caution about its ends stands in the text.',
  /pipe ?cleaners?|chenille stems?|(?<!\p{L})(?:craft |floral |copper )?wires?(?!\p{L})/iu,
  /(?:wire|pipe ?cleaner|stem)[^.]{0,80}(?:sharp|pierc|poke|bend|fold|tape|caution|not for|not suitable)|(?:sharp|pierc|poke|bend|fold|tape)[^.]{0,60}(?:wire|pipe ?cleaner|ends?)/i,
  'no caution about wire ends stands in the text. Usual: bend the ends over and cover them; not for small children.',
  {
    failing: { text: `US terms\n\nMaterials: pipe cleaners\n\n${BALL}Put a pipe cleaner in.\n`, says: ['wire ends'] },
    passing: `US terms\n\nMaterials: pipe cleaners\n\n${BALL}Put a pipe cleaner in, and bend its sharp ends over.\n`,
  },
);
