/** The kinds of file that a pattern is laid out in. */
export const FORMS = ['pdf', 'docx', 'md', 'html', 'txt'] as const;
