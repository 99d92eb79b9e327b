import type { Paper } from '../../../core/index.js';
import { FORMS } from '../../forms.js';

/** A photograph as it is laid out. */
export interface Picture {
  readonly bytes: Uint8Array;
  readonly type: 'jpeg' | 'png';
  /** Pixels. */
  readonly width: number;
  readonly height: number;
  /** What is to be seen on it, for who can't see it. */
  readonly alt: string;
}

/** What a file is made of. */
export interface Publication {
  readonly paper: Paper;
  readonly pictures: readonly Picture[];
  /** Written into the file as the time of its making: the same input makes the same bytes. */
  readonly at: Date;
  readonly sheet: 'a4' | 'letter';
  readonly print: 'normal' | 'large';
}

export { FORMS };
export type Form = (typeof FORMS)[number];
