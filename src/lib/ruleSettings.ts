/** How rules are set; on its own, because the worker that checks needs no more of what pages and server tell each other. */
import * as z from 'zod/mini';

export const severitySettingSchema = z.enum(['error', 'warning', 'hint', 'off']);

/** A rule set to another severity, switched off, or (null) as it is. */
export const ruleSettingSchema = z.object({
  rule: z.string().check(z.maxLength(64)),
  severity: z.nullable(severitySettingSchema),
});
export type RuleSetting = z.infer<typeof ruleSettingSchema>;
/** By the id of a rule how it is set. */
export const ruleSettingsSchema = z.record(z.string(), severitySettingSchema);
