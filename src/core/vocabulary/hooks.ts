/** A hook by its size, with the letter of US patterns and the old number of UK ones; null where there is none. */
export interface Hook {
  readonly millimetres: number;
  readonly us: string | null;
  readonly uk: string | null;
}

const hook = (millimetres: number, us: string | null, uk: string | null): Hook => ({ millimetres, us, uk });

export const HOOKS: readonly Hook[] = [
  hook(2.0, null, '14'),
  hook(2.25, 'B/1', '13'),
  hook(2.5, null, '12'),
  hook(2.75, 'C/2', null),
  hook(3.0, null, '11'),
  hook(3.25, 'D/3', '10'),
  hook(3.5, 'E/4', '9'),
  hook(3.75, 'F/5', null),
  hook(4.0, 'G/6', '8'),
  hook(4.5, '7', '7'),
  hook(5.0, 'H/8', '6'),
  hook(5.5, 'I/9', '5'),
  hook(6.0, 'J/10', '4'),
  hook(6.5, 'K/10½', '3'),
  hook(7.0, null, '2'),
  hook(8.0, 'L/11', '0'),
  hook(9.0, 'M/13', '00'),
  hook(10.0, 'N/15', '000'),
];

/** The hook of a size in millimetres; undefined where no hook is so large. */
export function hookOf(millimetres: number): Hook | undefined {
  return HOOKS.find((one) => Math.abs(one.millimetres - millimetres) < 0.01);
}

/** The hook that a US letter stands for. */
export function hookNamed(letter: string): Hook | undefined {
  return HOOKS.find(({ us }) => us !== null && us.startsWith(letter.toUpperCase()));
}
