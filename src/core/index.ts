/** The face of the core: what the application, the worker and the terminal may use. */
import { documentOf } from './document/document.js';
import { proseOf } from './document/prose.js';
import { checked, type Checked, type CheckOptions } from './checking.js';
import { courseOf } from './bench/course.js';
import type { Course } from './bench/schema.js';
import { decide } from './deciding/decide.js';
export { marksIn } from './explaining/account.js';
import type { Report } from './report/schema.js';

export type { Checked, CheckOptions } from './checking.js';
export { fixedReport, searchIn } from './report/fixed.js';
export { convertTerms, type ConvertOptions } from './terms/convert.js';
export { conversionSchema, type Conversion, type TermChange } from './terms/schema.js';
export { evidenceSchema, termsEvidence, type TermsEvidence } from './terms/evidence.js';
export {
  handSchema,
  handWordSchema,
  LINE_ROLES,
  lineKey,
  lineKeySchema,
  lineRoleSchema,
  NO_HAND,
  partSaidSchema,
  senseSchema,
} from './reading/hand.js';
export type { Hand, LineRole, PartSaid } from './reading/hand.js';
export { Memory } from './reading/memory.js';
export { meaningsSchema, type Meanings } from './deciding/meanings.js';
export type { Sense } from './vocabulary/senses.js';
export { senseInWords } from './deciding/why.js';
export { HOOKS, type Hook } from './vocabulary/hooks.js';
export { STITCHES, type Stitch, type Vocabulary } from './vocabulary/stitches.js';
export { YARN_WEIGHTS, type YarnWeight } from './vocabulary/yarns.js';
export { ruleCards, severitySchema, type RuleCard } from './checks/list.js';
export { isRule, type RuleSettings } from './checks/registry.js';
export { houseStyleSchema, settledStyleSchema, styledSchema, styleTraits } from './style/schema.js';
export { inStyle, learnt, styleOf, type StyleCount, type Styled } from './style/inStyle.js';
export type { HouseStyle } from './style/style.js';
export { accountSchema, hookSlipSchema } from './explaining/schema.js';
export type { AccountStep, HookSlip, Ladder, RoundAccount } from './explaining/schema.js';
export { overviewOf } from './overview/overview.js';
export { overviewSchema } from './overview/schema.js';
export type { Overview, PartOverview } from './overview/schema.js';
export { findingSchema, partSchema, reportSchema, roundSchema } from './report/schema.js';
export type { Report, ReportFinding, ReportRound, ReportVerdict } from './report/schema.js';
export { contentOf, type Encoding, type FileContent } from './text/bytes.js';
export { LONGEST_TEXT } from './text/source.js';
export { triedSchema, type Tried } from './querying/tried.js';
export { proposedSchema, type Proposed } from './querying/proposed.js';
export { splitReply, replyPieceSchema, type Reply, type ReplyPiece } from './querying/replies.js';
export { follow, intoDraft, placeAt, placeSchema, type Held } from './querying/place.js';
export { keyOf } from './text/key.js';
export { carriedOver, type Carried, type CheckedDraft } from './comparing/carried.js';
export { changedWords } from './comparing/words.js';
export { changeSchema, comparisonSchema } from './comparing/schema.js';
export type { Change, ComparedEntry, ComparedPart, Comparison } from './comparing/schema.js';
export { markedLines, markedText, type MarkedLine } from './report/marked.js';
export { reportText } from './report/text.js';
export { pictureOf } from './shape/picture.js';
export { frontOf, solidOf, spotsOf, type Solid } from './shape/solid.js';
export { shapeSchema } from './shape/schema.js';
export type { Shape, ShapeOutline, ShapePart, ShapePlaced, ShapeRing, ShapeYarn } from './shape/schema.js';
export { NO_SETTINGS, shapeSettingsSchema, type ShapeSettings } from './shape/settings.js';
export { editionOf, editionSchema, paperOf, type Edition, type EditionOptions } from './publishing/edition.js';
export { blockSchema, paperSchema, type Block, type Paper } from './publishing/paper.js';
export { asText, roundWords } from './publishing/text.js';
export { checklistLineSchema, checklistOf } from './publishing/checklist.js';
export type { ChecklistLine, ChecklistRest, Confirmation, EditionState, ReleaseFacts } from './publishing/checklist.js';
export { erratumSchema, erratumWords, errataOf, type Erratum } from './publishing/errata.js';
export { beatsOf, COUNTINGS, type Beat, type Counting } from './bench/beats.js';
export { Progress, roundsAlong, type HookMoment, type NoteMade, type RoundState } from './bench/progress.js';
export {
  resultTable,
  sideBySide,
  sideBySideSchema,
  stumbledAt,
  WEIGHED_BY,
  type ResultRow,
  type ResultTester,
  type SideBySide,
  type Told,
} from './bench/results.js';
export {
  courseSchema,
  roundListSchema,
  type BenchPart,
  type BenchRound,
  type Course,
  type Instruction,
  type RoundList,
} from './bench/schema.js';
export {
  comesBefore,
  LONGEST_NOTE,
  NOTE_KINDS,
  stepSchema,
  type NoteKind,
  type Spot,
  type Step,
  type What,
} from './bench/steps.js';
export { FAULT_KINDS, LEVELS, type FaultKindId, type Level } from './training/kinds.js';
export { SCHOOLS, type School } from './training/hands.js';
export { marked } from './training/marking.js';
export { NotPlantable, practice, practiceFrom, LEVEL_RANGES, type Wanted } from './training/practice.js';
export {
  faultKindSchema,
  levelSchema,
  markedSchema,
  pencilMarkSchema,
  plantedFaultSchema,
  practiceSchema,
  schoolSchema,
  turnedSchema,
  type Marked,
  type PencilMark,
  type PlantedFault,
  type Practice,
  type Turned,
} from './training/schema.js';
export { OtherLines, turned, turning, type Turning } from './training/turning.js';
export {
  dayOf,
  isoOf,
  mondayOf,
  weekdayOf,
  Workdays,
  type Absence,
  type Day,
  type WorkCalendar,
} from './planning/days.js';
export { learntFrom, type Learnt } from './planning/learnt.js';
export {
  consequence,
  filled,
  movedTo,
  planned,
  tasksUntil,
  type Consequence,
  type Planned,
  type PlannedPattern,
  type PlannedStage,
  type PlanTerms,
  type StageDays,
  type Task,
} from './planning/plan.js';
export { HOURS_A_WEEK, hoursOf, STAGE_IDS, STAGES, testDays, type Stage, type StageId } from './planning/stages.js';
export { certificateOf, recordOf, type Fingerprint, type RecordedQuery, type Signature } from './publishing/record.js';
export { comesAfter, nextVersion, since, type Since } from './publishing/version.js';

/**
 * Reads, counts and checks a text.
 * @param file the name that the report carries.
 * @returns never throws, whatever the text.
 */
export function checkPattern(text: string, file: string, options: CheckOptions = { terms: 'auto' }): Checked {
  return checked(decide(text, options), file, options);
}

/** A text as it is followed at the bench. @param name the title where the text has none */
export function courseOfText(text: string, name: string, options: CheckOptions = { terms: 'auto' }): Course {
  const counted = decide(text, options);
  const { talk } = proseOf(counted.pattern);
  return courseOf(counted, talk, documentOf(counted.pattern, talk), name);
}

/** As `checkPattern`, for those who want the report alone. */
export function checkText(text: string, file: string, options?: CheckOptions): Report {
  return checkPattern(text, file, options).report;
}
