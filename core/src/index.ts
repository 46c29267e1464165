export { boardRows, boardStrings, type BoardString } from './array/board.ts'
export { layouts, refusedLayouts, stringMostV, type Layout } from './array/layouts.ts'
export { mismatch, curvePoints } from './array/mismatch.ts'
export { needsStringFuses } from './array/stringFuses.ts'
export { isBuiltIn, outputOf } from './array/controllers.ts'
export { racking, winterSun, controllerWatts } from './array/racking.ts'
export type { UnlikeGroup } from './array/unlike.ts'
export { CHEMISTRIES, CHEMISTRY_IDS, coldFactor, freezingPointC } from './bank/chemistry.ts'
export { absorptionV, bankNominalV, ratedAh } from './bank/layout.ts'
export { restedBankV } from './bank/voltage.ts'
export type { BankLife } from './bank/life.ts'
export { unitOrder, bankStrings } from './bank/strings.ts'
export { backupName, backupSays } from './generator/words.ts'
export { bankConductors } from './system/bankConductors.ts'
export { fullLoadA, stringAmps } from './system/battery.ts'
export { systemOf } from './system/systemOf.ts'
export { circuitCable, levelOf as levelOfCircuit } from './system/circuitWords.ts'
export type { Drawing } from './system/drawing.ts'
export { oneLine } from './system/oneLine.ts'
export { onBoard, wallLayout, type PlacedUnit } from './system/wall.ts'
export { clearWall, moveOnWall } from './change/wall.ts'
export { circuitSheet } from './system/circuitSheet.ts'
export { entriesOf, type Entry } from './system/entries.ts'
export { DEVICE_NAMES, deviceSchedule, type ScheduledDevice } from './system/devices.ts'
export { labelsOf, type SystemLabel } from './system/labels.ts'
export { PAPER_INKS, svgOf, type Inks } from './system/svg.ts'
export { cableName, workedCircuits, type WorkedCircuit, type WorkedDevice, type Fault } from './system/work.ts'
export type { Area, Circuit, Inline, Lead, System, SystemNode } from './system/graph.ts'
export {
  measuredCircuits,
  followUsual,
  prunedCircuits,
  setCircuit,
  settledCircuits,
  thinnestCircuits,
  usualCircuit,
} from './change/circuits.ts'
export { checklist, type BuildTask } from './build/checklist.ts'
export { describeField } from './calc/fields.ts'
export { partFromLabel, type LabelKind, type PartOfKind } from './parts/fromLabel.ts'
export { fromSheet, type Found } from './parts/fromSheet.ts'
export { CALC_FUNCTIONS, calculate } from './calc/functions.ts'
export { dateOfDay, HOURS, MONTH_DAYS, MONTH_NAMES, MONTH_START, MEAN_DAYS } from './calendar/calendar.ts'
export { seasonOf, type Season } from './weather/season.ts'
export {
  addArray,
  trackersApart,
  addController,
  beginTiltSeasons,
  limitControllers,
  removeArray,
  removeController,
  setControllerKind,
  takeController,
  takeLayout,
  takeModule,
  turnAll,
} from './change/array.ts'
export {
  addRate,
  markUnit,
  swapUnits,
  takeBattery,
  takeChemistry,
  takeHandSize,
  takeVoltage,
  voltagesFor,
} from './change/bank.ts'
export { moveModule, moveString } from './change/board.ts'
export type { Change } from './change/change.ts'
export { beginDesign } from './change/begin.ts'
export { setTopology, sheetsRead } from './change/parts.ts'
export { changesBeside } from './change/tells.ts'
export { addPump, removePump, wantWater } from './change/pumps.ts'
export { removeStrip, shareOut } from './change/strips.ts'
export { stepsTouched, touch, type TouchedStep } from './change/touched.ts'
export { addTo, moveIn, removeFrom, setField, valueAt } from './change/field.ts'
export { addSource, changeSource, ownCharger, takeBackup, takeSet } from './change/generator.ts'
export { setInverterCount, setStacking, spreadOverLegs, takeInverter } from './change/inverter.ts'
export {
  addLoads,
  addWritten,
  changeLoad,
  copyLoad,
  copyLoads,
  moveToLeg,
  removeLoads,
  setBasis,
  setHourWeight,
  turnHomeDay,
  turnWeekday,
  setDaysOfLoads,
  setHoursOfLoads,
  setOfLoads,
  setSeasonOfLoads,
} from './change/loads.ts'
export {
  addHorizonPoint,
  setHorizon,
  setMonth,
  moveTo,
  setPersistence,
  takeClimate,
  takeHours,
  takeMonths,
} from './change/place.ts'
export { cautionsOf, type Caution } from './cautions/cautions.ts'
export { setCautionRead } from './change/cautions.ts'
export {
  addAbsence,
  addBudgetLine,
  addKit,
  addPhase,
  setOwned,
  setPriced,
  setTaskDone,
  takePrices,
} from './change/work.ts'
export { voltageChoices, chemistryChoices, handSchools, type ChemistryChoice } from './choices/bank.ts'
export { inverterChoices } from './choices/inverter.ts'
export { derive, type Derived } from './derive/derive.ts'
export { newPlace, newDesign, nextId } from './design/defaults.ts'
export { invariantProblems, partInvariants } from './design/invariants.ts'
export { migrate, partOfToday } from './design/migrate.ts'
export {
  larkspurBench,
  larkspurFlooded,
  larkspurMoreSun,
  gannetSkerry,
  copperDraw,
  SAMPLE_FAMILIES,
} from './design/samples.ts'
export type { Cells, Read } from './document/cells.ts'
export { keyOf, pick } from './document/question.ts'
export { kept } from './math/kept.ts'
export { atOnce, type Pieces } from './math/pieces.ts'
export {
  DESIGN_VERSION,
  DESIGN_FORMAT,
  type Design,
  type Place,
  type WeatherSource,
  type PlaceHours,
  type Leg,
  type Load,
  type BatteryPart,
  type Chemistry,
  type Topology,
  type Bank,
  type ModulePart,
  type ArrayField,
  type ControllerPart,
  type InverterPart,
  type GeneratorPart,
  type DirectPump,
  type BackupKind,
  type Generator,
  type Grid,
  type OtherSource,
  type Absence,
  type CircuitChoice,
  type Wall,
  type DeviceKind,
  type Laid,
  type Budget,
  type Schools,
  type Problem,
  type HorizonPoint,
  type MonthlyClimate,
  type FittedClimate,
  type Priority,
} from './document/types.ts'
export { eachField, fieldAt, type PlacedField } from './fields/at.ts'
export { ARRAY_FIELD, CONTROLLER, MODULE } from './fields/array.ts'
export { BANK_VOLTAGES, BATTERY } from './fields/bank.ts'
export { DESIGN } from './fields/design.ts'
export type {
  AnyTable,
  ChoiceField,
  Field,
  FieldTable,
  NumberField,
  Option,
  PartField,
  RowsField,
  TextForm,
  Unit,
} from './fields/field.ts'
export { GENERATOR, GENERATOR_PART, HOUSEHOLD } from './fields/generator.ts'
export { INVERTER, INVERTER_PART } from './fields/inverter.ts'
export { COUNTS } from './fields/limits.ts'
export { LOAD, PRIORITY_WORDS } from './fields/load.ts'
export { FITTED, HORIZON } from './fields/place.ts'
export type { FailureSummary } from './winter/outages.ts'
export { runningCost } from './generator/power.ts'
export { fitsAsItIs } from './generator/taken.ts'
export { newSource, sourceMeans, withMonthMean, sourceFromCells, type SourceTable } from './generator/sources.ts'
export { continuousShare, legLevel, legLoads } from './inverter/apparent.ts'
export { inverterInput, curveOf } from './inverter/efficiency.ts'
export { legsAtOnce, runningLegs, worstLegHour } from './inverter/legs.ts'
export { appliancesCalled, loadsWritten, type Written } from './loads/quickAdd.ts'
export {
  serviceOf,
  legsOfService,
  onLegsOf,
  legChoices,
  stackingChoices,
  inverterRating,
  withInverter,
  type LiveLeg,
} from './inverter/service.ts'
export { startLevel, type StartVerdict } from './inverter/startVerdict.ts'
export { surgeTable, surgeCurve, type SurgeRow } from './inverter/surge.ts'
export { APPLIANCES, appliance } from './loads/appliances.ts'
export { dailyEnergy, statedDailyEnergy } from './loads/energy.ts'
export { meteringPlan, meterProblem, withReading, withReadings } from './loads/metering.ts'
export { START_MULTIPLE, START_SECONDS, startSeconds, startWatts } from './loads/peak.ts'
export { PRIORITIES, drawnProfile } from './loads/profile.ts'
export { HOUR_SHAPES } from './loads/shapes.ts'
export { loadsFromCells, cellsOfLoads } from './loads/table.ts'
export { withTrials, propaneLitresAYear, type LoadChange, type Trial } from './loads/whatIf.ts'
export { readingProblems, type Reading } from './log/reading.ts'
export type { KitItem, PricedItem } from './document/types.ts'
export { bill, billCells, pricedOf, type Bill, type BillRow } from './money/bill.ts'
export {
  readPriceList,
  type DecimalMark,
  type LengthUnit,
  type ListedPrice,
  type ListTerms,
  type PriceList,
  type SoughtRow,
} from './money/priceList.ts'
export { partAt } from './money/parts.ts'
export { costStack, type LayerOf } from './money/stack.ts'
export { materialsOf, type Material, type MaterialGroup } from './money/materials.ts'
export {
  moduleParts,
  batteryParts,
  controllerParts,
  inverterParts,
  generatorParts,
  structuredCloneOf,
} from './parts/shelf.ts'
export { findings, stepLevel, stepMark } from './rules/registry.ts'
export { STEPS, type Step, type Level, type Finding } from './rules/rule.ts'
export { layoutQuestionOf } from './sizing/layoutQuestion.ts'
export { suggestionByRules, suggestionFor, SUGGESTED_STEPS, type Suggested } from './suggest/ask.ts'
export type { Suggestion } from './suggest/suggestion.ts'
export {
  BOTTLENECK_TRIALS,
  measured,
  measuredOf,
  rankedBy,
  type Care,
  whatNext,
  worth,
  provedBottleneck,
  type Candidate,
  type Measured,
} from './suggest/whatNext.ts'
export { sunYear, type Location } from './sun/geometry.ts'
export { horizonAt } from './sun/horizon.ts'
export { horizonFromCells, cellsOfHorizon } from './sun/horizonTable.ts'
export { sunPosition } from './sun/position.ts'
export { significant, decimal } from './units/index.ts'
export { amount, exact } from './units/say.ts'
export { joined, say, type Amount, type Word, type Words } from './units/words.ts'
export { climateFromCells } from './weather/climateTable.ts'
export { ILLUSTRATIVE_CLIMATES, climateAt } from './weather/climates.ts'
export { ImportRefused, assembleHours, type ImportReport } from './weather/hours/assemble.ts'
export { CHANNEL_UNITS, guessMapping, type DateOrder, type ColumnMapping } from './weather/hours/columns.ts'
export { fitClimate } from './weather/hours/fit.ts'
export { epwLayout, tmy3Layout, type Station } from './weather/hours/published.ts'
export { RowReader, readTime, understoodRows, type RowNote, type UnderstoodRow } from './weather/hours/rows.ts'
export {
  KEPT_CHANNELS,
  CHANNEL_RANGE,
  MOST_YEARS,
  packSeries,
  unpackSeries,
  type Channel,
  type HourlySeries,
  type SeriesShape,
} from './weather/hours/series.ts'
export { inWeek, loadInWeek, timesAWeek, WEEKDAY_NAMES } from './loads/week.ts'
export { climateOf, yearsOfRun } from './weather/ruling.ts'
export { costFigures, keyFigures, type KeyFigure } from './lifetime/keyFigures.ts'
export { costOverLife, type CostOverLife } from './lifetime/costOverLife.ts'
export { lifeSheets } from './lifetime/sheets.ts'
export { lifeOf, type Life, type LifeRun } from './lifetime/life.ts'
export { otherWays, type OtherWay } from './lifetime/ways.ts'
export { MAX_YEARS, WinterEngine, requireYears } from './winter/engine.ts'
export {
  figuresOf,
  figuresAt,
  PRIORITY_FIGURES,
  RUN_FIGURES,
  worstOf,
  type YearFigures,
  type RunFigure,
} from './winter/figures.ts'
export { hoursQuestion } from './winter/hours.ts'
export { partsOf } from './winter/plan.ts'
export {
  skyReport,
  sunLostTo,
  tiltChoices,
  compareSources,
  type SkyReport,
  type TiltChoice,
  type SourceFigures,
  type SkyQuestion,
} from './winter/sky.ts'
export { PERCENTILES, summariseWinter, darkSeason, type StripWeek, type WinterSummary } from './winter/summary.ts'
export { needsHelp, verdict } from './winter/verdict.ts'
export { WEEK_DAYS, weekOf, type Week } from './winter/week.ts'
export { TRACE_COLUMNS, emptyTrace, type YearLosses, type YearResult, type Trace } from './winter/year.ts'
export {
  arrayYield,
  oversizing,
  bankWear,
  type ArrayYield,
  type OversizeStep,
  type YieldQuestion,
  WEAR_YEARS,
} from './winter/yields.ts'
export { CONDUCTORS } from './wiring/conductors.ts'
export { conduitNames } from './wiring/protection.ts'
export type { Worked } from './working/working.ts'
