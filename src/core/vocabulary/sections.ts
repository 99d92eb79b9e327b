/** The usual names of a pattern's sections, in lower case and without articles; the start of a heading is compared. */
export type SectionKind = 'materials' | 'gauge' | 'legend' | 'notes' | 'assembly';

export const SECTION_NAMES: Readonly<Record<SectionKind, readonly string[]>> = {
  materials: [
    'material', 'materials', 'you will need', "you'll need", 'what you need', 'what i used', 'need', 'needed', 'supplies',
    'yarn', 'yarns', 'hook', 'hooks', 'tools', 'stuff', 'also', 'things you need', 'ingredients', 'shopping list', 'equipment',
    'notions', 'eyes', 'filling', 'requirements', 'colours', 'colors', 'i used', 'what we use', 'you need', 'kit', 'for this you need',
  ],
  gauge: ['gauge', 'tension', 'size', 'finished size', 'measurements', 'finished measurements'],
  legend: [
    'abbreviation', 'abbreviations', 'stitches', 'stitches used', 'letters', 'short forms', 'words i use', 'key', 'terms',
    'glossary', 'legend', 'symbols', 'abbr', 'stitch key', 'stitch guide', 'abbreviations used', 'short words', 'stitch abbreviations',
    'what letters mean', 'special stitches', 'shorthand', 'terminology',
  ],
  notes: [
    'notes', 'note', 'pattern notes', 'about', 'before you begin', 'before you start', 'tips', 'caution', 'safety', 'warning',
    'introduction', 'general', 'read first', 'skill level', 'level', 'difficulty', 'copyright', 'good to know', 'remarks', 'hints', 'please note',
    'information', 'design', 'techniques', 'technique',
  ],
  assembly: [
    'assembly', 'assembling', 'finishing', 'making up', 'sewing', 'sewing up', 'sewing together', 'together', 'putting together',
    'putting it together', 'putting it all together', 'to make up', 'joining parts', 'put together', 'sew together', 'construction', 'to finish',
    'final touches', 'finishing touches', 'finish', 'face details', 'details', 'all together', 'joining', 'to assemble', 'to make up',
    'sew up', 'stitching up', 'embroidery', 'final assembly', 'finishing off', 'to put together', 'bringing it together',
  ],
};
