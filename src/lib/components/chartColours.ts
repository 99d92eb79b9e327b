/** The colours that charts are drawn in. */
export interface ChartColours {
  readonly ink: string;
  readonly soft: string;
  readonly rule: string;
  readonly off: string;
  readonly here: string;
}
