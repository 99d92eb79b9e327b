import { chances, type Chance } from './chances.js';

/** Chances for a seed: those of neighbouring seeds have nothing in common. */
export function begun(seed: number): Chance {
  const chance = chances(seed * 7919 + 1);
  // The first numbers of neighbouring seeds lie close to each other.
  for (let i = 0; i < 5; i += 1) chance();
  return chance;
}
