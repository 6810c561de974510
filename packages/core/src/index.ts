/** The public surface of the core. Server and web import this and nothing else. */
export {
  centimetres,
  formatCm,
  formatInches,
  formatLength,
  formatRectangle,
  inches,
  MM_PER_INCH,
  parseLength,
  toCentimetres,
  toInches,
  type LengthUnit,
} from './quantity/length';
export { formatAngle } from './quantity/angle';
export { signed } from './quantity/signed';
export { significant } from './quantity/significant';
export { MAS_STATIONS, nearestStation } from './quantity/station';
export type { Assumption, Provenance } from './quantity/provenance';
export type { Vec2, Vec3 } from './geometry/vector';
export { buildBody, measureBody, type Body } from './body/body';
export {
  AMPUTATIONS,
  HABITUS,
  MEASURED_NAMES,
  MEASURED_RANGES,
  PATIENT_RANGES,
  patientInputSchema,
  resolvePatient,
  type Habitus,
  type MeasuredPart,
  type Patient,
  type PatientInput,
} from './body/patient';
export { mediansFor, type Medians, type Sex } from './body/anthropometry';
export {
  BASES,
  checkRoom,
  generatorSchema,
  outputPointSchema,
  roomSchema,
  type Generator,
  type OutputPoint,
  type Room,
} from './room/room';
export { changeRoom, roomChangeSchema, roomForProjection, type RoomChange } from './room/roomChange';
export { chartRowSchema, type ChartRow } from './room/techniqueChart';
export { HOLDERS } from './projections/vocabulary';
export { demoRooms, MOBILE_UNIT, ROOM_ONE, ROOM_TWO } from './room/demoRooms';
export { positionName } from './room/position';
export { BODY_POSITIONS, type BodyPosition } from './projections/vocabulary';
export {
  defaultRules,
  houseRulesSchema,
  RULE_IDS,
  RULES,
  withDefaults,
  type HouseRules,
  type RuleId,
} from './room/houseRules';
export { entriesNamed, hasProjection, projectionOf, projections } from './projections/catalogue';
export { entryOfToday } from './projections/migrations';
export { plannedEntry, plannedName } from './exam/plannedEntry';
export { digitOf, digitsOf, digitWord, withDigit } from './projections/digit';
export { EARLIER_SPREAD, requestOfToday, setupOfToday, type EarlierSetup } from './setup/migrations';
export { setupSchema, verdictSchema } from './setup/setupSchema';
export { otherWaysSchema, waysRequestSchema } from './adapt/otherWaySchema';
export { seriesPlanSchema, seriesRequestSchema } from './series/seriesSchema';
export { findExams, findProjections, type ProjectionFilter, type ProjectionHit } from './projections/search';
export { projectionSchema, STEP_GROUPS, type Projection, type StepGroup, type Study } from './projections/schema';
export {
  convertTechnique,
  FACTOR_NAMES,
  type FactorName,
  type TechniqueFactor,
  type TechniqueResult,
} from './exposure/convert';
export type { BeamConditions } from './exposure/beamModel';
export { deviationIndex, techniqueForIndex } from './exposure/deviation';
export type { DrawingBox } from './body/drawing/plane';
export { computeSetup } from './setup/computeSetup';
export { blocks } from './setup/problem';
export { judge, type Instead, type Verdict } from './setup/judge';
export { say } from './words/say';
export type { Fact, Speech } from './words/fact';
export { fitReceptor, type FitOptions, type ReceptorFit } from './setup/collimation/fitReceptor';
export {
  AEC_CHOICES,
  IMMOBILIZED_REGIONS,
  OVERRIDE_RANGES,
  entryOf,
  overridesSchema,
  setupRequestSchema,
  situationFor,
  situationSchema,
  SUSPECTED,
  WORN,
  type ImmobilizedRegion,
  type Overrides,
  type SetupRequest,
  type Situation,
  type Suspected,
  type Worn,
} from './setup/request';
export type { Problem, Setup, SetupCaution, SetupStep, Side } from './setup/setup';
export {
  drawMannequin,
  drawStage,
  mannequinKey,
  type Mannequin2d,
  type StageDrawing,
  type DrawnLook,
  type StageLook,
} from './setup/stage/stage';
export { angledTo, HOLDER_WORDS, movedTo } from './words/names';
export { calibrated, inclination, isSteady, smoothed, STEADY_READINGS, type Pull } from './geometry/gauge';
export {
  againstTarget,
  gaugeTargets,
  touchPairs,
  tubeAngleFrom,
  type GaugeTarget,
  type TouchLine,
} from './setup/readouts/touchPairs';
export { fieldEdges } from './setup/readouts/fieldEdges';
export { roomLines, type RoomLine } from './series/roomLines';
export { arrange, roomStateSchema, type Arranged, type RoomState } from './series/roomState';
export { CHANGE_KINDS, changesBetween, type Change, type ChangeKind, type Readout } from './series/changesBetween';
export {
  planSeries,
  type SeriesEffort,
  type SeriesPlan,
  type SeriesRequest,
  type Wishes,
  type SeriesStep,
} from './series/planSeries';
export { defaultPrices, PRICE_IDS, PRICES, pricesSchema, type PriceId, type Prices } from './series/prices';
export { summarizeSeries, type SeriesSummary } from './series/bringList';
export { dragField, dragTube } from './setup/stage/drag';
export {
  bodyDocumentSchema,
  bodyJsonSchema,
  bodyRequestSchema,
  exportBody,
  exportRecordedBody,
  type BodyDocument,
  type BodyRequest,
} from './interchange/bodyDocument';
export { isMotion, jointLimitOf, limitableJoints, type JointLimits, type LimitableJoint } from './body/joints';
export { furthestSkin } from './body/posed';
export { contactsOf, restBody, type RestedBody } from './room/rest';
export { rayThrough, receptorDistance, surfacePoint, type TissuePath } from './body/surface';
export { obliqueStance, stanceSchema, type Stance, type StanceInput } from './room/stance';
export { posesNamed } from './body/poses';
export { poseBody } from './body/pose';
export { drawFigure, type Figure } from './body/drawing/figure';
export { TOUCH_VIEWS, touchAt, touchMap, type TouchMap, type TouchView } from './setup/stage/touchMap';
export { exams, type Exam } from './projections/exams';
export { REGIONS, type Region } from './projections/vocabulary';
export { OWN_PREFIX, PROOF_PATIENTS, proveEntry, type EntryFault } from './setup/proveEntry';
export {
  catalogueDocumentSchema,
  catalogueJsonSchema,
  exportCatalogue,
  importCatalogue,
  MAX_OWN_ENTRIES,
  type CatalogueDocument,
  type ImportedCatalogue,
} from './interchange/catalogueDocument';
export { catalogueTable } from './interchange/catalogueTable';
export { schoolsOf, summaryOf, type SchoolsOfRule, type SummaryLine } from './setup/summary';
export { angleWays } from './setup/placing/relation';
export {
  defaultDepartment,
  departmentSchema,
  examsOf,
  withDepartmentDefaults,
  type Department,
  type DepartmentInput,
} from './exam/department';
export { asTakenHere, type House, type HouseChange } from './exam/houseViews';
export { namedIds, needsSide, orderedExam, plannedFor, type Ordered, type Planned } from './exam/orderedExam';
export { orderReadLines, type OrderReadLine } from './exam/orderReadLines';
export { findViews } from './exam/findViews';
export { readOrder, type OrderRead, type ReadWords } from './exam/readOrder';
export { checkPlan, type PlanFinding } from './exam/checkPlan';
export {
  noAnswers,
  questionsFor,
  readinessOf,
  takeOffFor,
  type Answer,
  type Answers,
  type Question,
  type Readiness,
  type TakeOff,
} from './exam/questions';
export { roomCheckFor, type CheckStep } from './exam/roomCheck';
export {
  clockFaces,
  clockText,
  needsContrast,
  NO_CLOCKS,
  timingsOf,
  type Begun,
  type ClockFace,
  type Timings,
} from './exam/clocks';
export { calibrationSchema, heightOf, scaleOf, type Calibration, type Scale } from './measure/calibration';
export {
  differenceOf,
  figureOf,
  figureText,
  USUAL_DOUBT,
  MEASURE_KINDS,
  measuredTable,
  measureSchema,
  POINTS_OF,
  type MeasuredFigure,
  type Measure,
  type MeasuredRow,
  type MeasureKind,
} from './measure/figures';
export { readSeen, type SeenChange, type SeenClause } from './critique/readSeen';
export { openGates, type Gate } from './exam/gates';
export { readerNote, READER_LABELS, type NoteLine } from './exam/readerNote';
export { aftercareFor, finishStepsFor, type Aftercare } from './exam/aftercare';
export { breathSequence, languageOf, type BreathStep } from './exam/breathing';
export { breathFor, breathWords } from './setup/placing/breath';
export { BREATH_PHASES } from './projections/vocabulary';
export { PATIENT_LANGUAGES, PHRASES, type PatientLanguage, type Phrase } from './exam/breathingPhrases';
export {
  incomingOrderSchema,
  URGENCIES,
  type Incoming,
  type IncomingFault,
  type IncomingOrder,
} from './interchange/incomingOrder';
export { ORDER_COLUMNS, ordersFromTable, SITUATION_WORDS, WHY_COLUMN, type OrderRow } from './interchange/orderTable';
export { ordersFromFhir } from './interchange/orderFhir';
export { hl7Header, hl7Line, hl7Segments, type Hl7Segment } from './interchange/hl7Text';
export { isMerge, mergesFromHl7, type Merge } from './interchange/mergeHl7';
export type { PatientNumber, Scheduled, SortedOrders } from './interchange/incomingOrder';
export { ordersFromHl7 } from './interchange/orderHl7';
export { isForXray, ordersFromWorklist, type WorklistEntry } from './interchange/orderWorklist';
export { notXray, readSides, sidesIn } from './interchange/orderGuard';
export { ageApart } from './interchange/orderAge';
export { unusualOf, unusualSchema } from './exam/unusual';
export { saidOfCare } from './interchange/saidOfCare';
export { findTerms, glossary, TERM_GROUPS, termsIn, type Term, type TermGroup } from './words/glossary';
export { unusualWords, warns, type Unusual } from './words/unusualWords';
export { findOtherWays, whyForbidden } from './adapt/findOtherWays';
export { uprightWay, type UprightWay } from './adapt/uprightWay';
export { findForms, formOf, forms, wayOfForm, type Form } from './adapt/forms';
export { waysAnswer, type NoWay, type WaysAnswer } from './adapt/waysAnswer';
export type { OtherWay } from './adapt/otherWay';
export { type Cost, type CostId } from './adapt/costs';
export {
  defaultWayPrices,
  WAY_PRICE_IDS,
  WAY_PRICES,
  wayPriceRange,
  wayPricesSchema,
  type WayPriceId,
  type WayPrices,
} from './adapt/wayPrices';
export { levelSign } from './setup/verdict/suspectedSide';
export type { Forbidden } from './setup/verdict/verdict';
export { situationPresets, type SituationPreset } from './adapt/presets';
export { presetHolds, tapPreset, type PresetLayers } from './adapt/presetTaps';
export {
  askedWay,
  adaptedWaySchema,
  isWayText,
  askedText,
  wayFromText,
  wayText,
  type AdaptedWay,
  type AskedWay,
} from './setup/placing/adaptedWay';
export { CASTS, CAST_IDS, CONDITIONS, CONDITION_IDS, type Cast, type Condition } from './exposure/multipliers';
export { advisedBy, bandOf, defaultBands, type ActionBand, type Advised, type BandEdges } from './exposure/actionBands';
export { doseLevelFor, doseLevelSchema, sumDoses, type DoseLevel, type SummedDose } from './exam/doseLevel';
export {
  exportRoom,
  importRoom,
  roomDocumentSchema,
  roomJsonSchema,
  type FieldFault,
  type RoomDocument,
} from './interchange/roomDocument';
export { CHART_COLUMNS, chartFromTable, chartToTable, type ChartFault } from './interchange/chartTable';
export { aecCoverOf, type AecCover } from './setup/technique/aecCover';
export { CENTRE_SHARE, EDGE_SHARE, type GridCheck } from './setup/technique/gridCheck';
export { oddChartRows, shareOfTarget, type OddRow } from './setup/technique/chartCheck';
export { techniqueCurveOf, type CurvePoint, type TechniqueCurve } from './setup/technique/techniqueCurve';
export type { TechniqueStart } from './setup/technique/startingPoint';
export {
  deviationOnScale,
  indexOfKerma,
  indexScaleSchema,
  kermaOfIndex,
  onScale,
  fromScale,
  STANDARD_SCALE,
  type IndexScale,
} from './room/indexScale';
export { indexTrend, type IndexTrend } from './exposure/indexTrend';
export { fitOutput, type OutputFit } from './exposure/calibrate';
export { entranceSurfaceMgy, LEAD_MM, scatterUGy } from './exposure/dose';
export { GRID_ABOVE_KVP, gridFromMm, gridNeededBy, type GridNeed } from './exposure/gridNeed';
export { gridLoss, gridTolerance, type GridLoss, type GridPlacement } from './exposure/gridCutoff';
export {
  prepareRadiograph,
  simulateRadiograph,
  type Radiograph,
  type RadiographOptions,
} from './radiograph/simulateRadiograph';
export { BONE_FILES, readSkeleton, type Skeleton } from './body/skeleton';
export { consolePositioningError, seedOf } from './radiograph/consolePositioningError';
export { indexShare } from './radiograph/pictureIndex';
export { CAPTION } from './radiograph/caption';
export { IMPLANTS, implantIn, type Implant } from './radiograph/implants';
export { orientForViewing, type ViewedPicture } from './radiograph/viewed';
export {
  addPositioningError,
  breathe,
  POSITIONING_ERROR_KEYS,
  POSITIONING_ERROR_RANGES,
  misplace,
  NO_POSITIONING_ERROR,
  type PositioningError,
} from './radiograph/positioningError';
export {
  correctFault,
  correctionFor,
  measureName,
  measuredFaults,
  namedFaults,
  motionWords,
  rangeOf,
  usualSetup,
  type Correction,
  type MeasuredFault,
} from './critique/correctFault';
export { measureCriteria, type Criterion } from './critique/criteria';
export {
  edgeNames,
  repeatFor,
  PICTURE_EDGES,
  type Cure,
  type PictureEdge,
  type Repeat,
  type Seen,
} from './critique/repeat';
export { movedToSide, sideToward } from './critique/directions';
export { exposureFaults } from './critique/exposureFaults';
export { takenCriteria } from './critique/taken';
export { PIXEL_RANGE } from './radiograph/detector';
export { toGrey, windowOf, type Window } from './radiograph/display';
export { whatIf, type WhatIfLine } from './setup/whatIf';
export { thickThinOf, type ThickThin } from './setup/technique/thickThin';
export { capitalize } from './quantity/text';
