import * as z from 'zod/mini';

const length = (from: number, to: number) => z.nullable(z.number().check(z.gte(from), z.lte(to)));

/** "#a1b2c3" */
const isColour = ({ value, issues }: z.core.ParsePayload<string>): void => {
  const message = 'A colour is a # and six digits, like #a1b2c3.';
  if (!/^#[\da-f]{6}$/i.test(value)) issues.push({ code: 'custom', input: value, message });
};

/**
 * What a person says of the making that the text does not say, or says otherwise; null for what is to be as in the text.
 * Lengths are mm where nothing else is said.
 */
export const shapeSettingsSchema = z.object({
  hook: length(0.5, 30),
  /** Stitches and rounds to 10 cm. */
  stitches: length(2, 100),
  rounds: length(2, 100),
  /** Number of the weight class; metres of 100 g; grams of a ball. */
  weight: z.nullable(z.int().check(z.gte(0), z.lte(7))),
  metres: length(10, 4000),
  ball: length(1, 2000),
  /** Safety eyes by the width of their front. */
  eyes: length(2, 60),
  /** How tall the toy is to be, in cm. */
  target: length(0.5, 300),
  /** What was weighed after making it: grams by the name of the yarn in small letters. */
  weighed: z.record(z.string(), z.number().check(z.gt(0), z.lte(10_000))),
  /** The colour that a yarn is drawn in, by its name in small letters. */
  dyes: z.record(z.string(), z.string().check(isColour)),
});
export type ShapeSettings = z.infer<typeof shapeSettingsSchema>;

export const NO_SETTINGS: ShapeSettings = {
  hook: null,
  stitches: null,
  rounds: null,
  weight: null,
  metres: null,
  ball: null,
  eyes: null,
  target: null,
  weighed: {},
  dyes: {},
};
