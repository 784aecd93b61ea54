import type { components } from './schema';

type Schemas = components['schemas'];
export type Session = Schemas['SessionData'];
export type Person = Schemas['PersonData'];
export type Preferences = Schemas['PreferencesData'];
export type Floor = Schemas['FloorData'];
export type Lane = Schemas['LaneData'];
export type Stretch = Schemas['StretchData'];
export type LastDays = Schemas['LastDaysData'];
export type Hand = Schemas['HandData'];
export type Marks = Schemas['HeatMarksData'];
export type Machine = Schemas['MachineData'];
export type MachineKind = Schemas['MachineKindData'];
export type MachineDetail = Schemas['MachineDetailData'];
export type Product = Schemas['ProductData'];
export type ProductCharge = Schemas['ProductChargeData'];
export type Recipe = Schemas['RecipeData'];
export type Polymer = Schemas['PolymerData'];
export type Lot = Schemas['LotData'];
export type ReviewItem = Schemas['ReviewItemData'];
export type Colleague = Schemas['ColleagueData'];
export type Key = Schemas['KeyData'];
export type Screen = Schemas['ScreenData'];
export type SourceCard = Schemas['SourceCardData'];
export type Brought = Schemas['BroughtData'];
export type TrustStep = Schemas['TrustStepData'];
export type LotStep = Schemas['LotStepData'];
export type Learnt = Schemas['LearntData'];
export type LearntProduct = Schemas['LearntProductData'];
export type AsRun = Schemas['AsRunData'];
export type Chart = Schemas['ChartData'];
export type SetUp = Schemas['SetUpData'];
export type MachineLearnt = Schemas['MachineLearntData'];
export type Plausible = Schemas['PlausibleData'];
export type LotDetail = Schemas['LotDetailData'];
export type RunSummary = Schemas['RunSummaryData'];
/** A page of a list: what stands on it, and what to ask for to go on. */
export interface Page<T> {
    items: T[];
    next: string | null;
}
export type Run = Schemas['RunData'];
export type RunEvent = Schemas['EventData'];
export type NewEvent = Schemas['AppendEventsRequest']['events'][number];
export type Appended = Schemas['AppendedData'];
/** An answer of plan.PROCESS: what every plan has; what is particular to a process is its own result. */
export type AnyPlan = Pick<
    Schemas['PlanCompressionResult'],
    'settings' | 'timers' | 'charge' | 'checks' | 'cautions' | 'unknowns' | 'explanation' | 'warnings'
> & {
    targets: Record<string, number | null>;
    /** what each method would give */
    gives?: { school: string; choice: string; says: string }[];
};
export type Planned<P = AnyPlan> = Omit<Schemas['PlanData'], 'plan'> & { plan: P };
export type PressPlan = Planned<Schemas['PlanCompressionResult']>;
export type PlanRequest = Schemas['PlanRequest'];
export type Process = Schemas['ProcessData'];
export type Figure = Schemas['Figure'];
export type Passport = Schemas['PassportData'];
export type ZipFile = Schemas['ZipFileData'];
export type Piece = Schemas['PieceData'];
export type CurvePoint = PressPlan['plan']['cycle']['curve'][number];
export type Block = Schemas['SafetyCheckResult']['blocks'][number];

/** The parts of a procedure's data that the screens read; the whole is core/data/procedure.schema.json. */
export interface ProcedureField {
    id: string;
    label: string;
    dimension?: Dimension;
    kind?: 'choice' | 'text' | 'thickness_grid' | 'charge';
    required?: boolean;
    /** comes by itself: no pad asks for it */
    unasked?: boolean;
    choices?: string[];
    required_when?: Record<string, string>;
}
export interface ProcedureEntry {
    id: string;
    title: string;
    key?: string;
    once?: boolean;
    effect?: string;
    /** a number of the plan: where it has none nobody is asked */
    where_planned?: string;
    /** its piece goes back to a step, as often as the plan's number of times says */
    again?: { to: string; minutes?: string; most?: string; says?: string };
    /** a timer that runs is over later by so many minutes of the plan */
    delays?: { timer: string; minutes: string };
    fields: ProcedureField[];
}
export interface ProcedureGate {
    says?: string;
    timer?: string;
    confirmed?: string[];
    entry?: string;
    fields?: string[];
    at_least?: string;
    at_most?: string;
    near?: string;
    tolerance?: string;
    /** what choices of the entry must be, by field */
    is?: Record<string, string>;
    /** a place that has room again by the time that `within` minutes of the plan have gone */
    room?: string;
    within?: string;
    /** a number of the plan: where it has none there is no such gate */
    where_planned?: string;
}
export interface ProcedureStep {
    id: string;
    stage: string;
    place: string;
    people: number;
    title: string;
    do: string;
    why: string;
    button: string;
    shows?: string[];
    entries?: string[];
    confirm?: { id: string; text: string }[];
    starts?: string;
    /** as a rule, with nobody called away */
    typical_min?: number;
    /** the plan's number of minutes, before what is typical */
    plan_min?: string;
    /** the measured figure that the time in it is, s */
    clock?: string;
    timer?: string;
    needs_heat?: boolean;
    pass_anyway?: 'no' | 'reason' | 'lead';
    cautions?: string[];
    gate?: ProcedureGate[];
    phase?: 'setup' | 'piece' | 'closing';
    hands?: 'free' | 'one' | 'none';
    reminders?: { entry: string; every_min: string; what: string; why: string }[];
}
export interface Procedure {
    id: string;
    version: number;
    /** the how manieth own way of the shop */
    own?: number;
    title: string;
    /** how numbers of the plan are said at the machine */
    words?: Record<string, string>;
    stages: { id: string; title: string }[];
    entries: ProcedureEntry[];
    steps: ProcedureStep[];
    timers: { id: string; title: string; minutes: string; kind: string }[];
    places: Record<
        string,
        { title: string; heat: string; /** or the plan's number of it */ holds?: number | string }
    >;
    piece?: { title: string; carrier?: { title: string; plan: string; places: string[] } };
    schools: Record<string, School>;
}
/** Where practitioners differ. */
export interface School {
    title: string;
    default: string;
    because: string;
    choices: { id: string; title: string }[];
}
export type Dimension = 'length' | 'mass' | 'temperature' | 'pressure' | 'time' | 'number';
export type Inside = Schemas['InsideData'];
export type Heard = Schemas['HeardData'];
export type Fit = Schemas['FitData'];
export type OwnValue = Schemas['OwnValueData'];
export type Mesh = Schemas['MeshData'];
export type Source = Schemas['SourceData'];
export type SourceDetail = Schemas['SourceDetailData'];
export type SortingTest = Schemas['SortingTestData'];
export type Sorting = Schemas['SortingData'];
export type SortingBin = Schemas['SortingBinData'];
export type Ranking = Schemas['IdentifyRankResult'];
export interface Evidence {
    test: string;
    result?: string;
    g_cm3?: number;
    se?: number;
}
export type DryBoard = Schemas['DryBoardData'];
export type DryPlan = Schemas['DryPlanData'];
export type Mix = Schemas['MixData'];
export type Charge = Schemas['ChargeData'];
export type Goods = Schemas['GoodsData'];
export type BoughtPart = Schemas['PartData'];
export type Finishing = Schemas['FinishingData'];
export type DayOff = Schemas['DayOffData'];
export type Standstill = Schemas['StandstillData'];
export type DayWork = Schemas['DayWorkData'];
export type DayPlan = Schemas['SchedulePlanResult'];
export type Care = Schemas['CareData'];
export type Proposal = Schemas['ProposalData'];
export type Tracked = Schemas['TrackedData'];
export type Leftover = Schemas['LeftoverData'];
export type RackStrip = Schemas['RackStripData'];
export type OtherLot = Schemas['OtherLotData'];
export type Capture = Schemas['CaptureData'];
export type CapturedSetUp = Schemas['CapturedSetUpData'];
export type Carried = Schemas['CarriedData'];
export type Restart = Schemas['RestartData'];
export type Alarm = Schemas['AlarmData'];
export type Channel = Schemas['ChannelData'];
export type Pairing = Schemas['PairingData'];
export type Merge = Schemas['MergeData'];
export type ProcedureWay = Omit<Schemas['ProcedureData'], 'shipped' | 'worked' | 'changes'> & {
    shipped: Procedure;
    worked: Procedure;
    changes: OwnChange[];
};
export type ProcedureEntryOf = Schemas['ProcedureEntryData'];
export type StepNote = Schemas['StepNoteData'];
/** Something that a shop does otherwise than a shipped procedure says: at one of its steps, or in one of its own after it. */
export interface OwnChange {
    step?: string;
    after?: string;
    title?: string;
    do?: string;
    why?: string;
    button?: string;
    place?: string;
    typical_min?: number;
    people?: number;
    strict?: boolean;
    hands?: 'free' | 'one' | 'none';
    cautions?: string[];
    checks?: string[];
}
export type Defect = Schemas['DefectData'];
export type FlawMap = Schemas['FlawMapData'];
export type HandOver = Schemas['HandOverData'];
export type PartPicture = Schemas['PartPictureData'];
export type PlaceShown = Schemas['PlaceShownData'];
export type Lesson = Schemas['LessonData'];
export interface RankedCause {
    id: string;
    name: string;
    why: string;
    probability: number;
    for: { of: string; says: string; ratio: number }[];
    against: { of: string; says: string; ratio: number }[];
    defects: string[];
}
export interface CauseRanking {
    causes: RankedCause[];
    next_question: { id: string; kind: string; text: string; choices: string[]; bits: number } | null;
    next_change: {
        parameter: string;
        name: string;
        change: 'raise' | 'lower' | 'set' | 'do';
        from: number | null;
        to: number | null;
        unit: string;
        limit: string;
        effort: string;
        because: string;
        note: string;
    } | null;
    cautions: string[];
    warnings: string[];
    explanation: string;
}
export type Case = Omit<Schemas['CaseData'], 'ranking'> & { ranking: CauseRanking };
export type Day = Schemas['DayData'];
export type DayJob = Schemas['DayJobData'];
export type DayLane = Schemas['DayLaneData'];
export type Order = Schemas['OrderData'];
export type Trace = Schemas['TraceData'];
export type TraceNode = Schemas['TraceNodeData'];
export type RunTimer = Schemas['TimerData'];
export type Change = Schemas['ChangeData'];
export type ChangeTask = Schemas['ChangeTaskData'];
export type ChangeDue = Schemas['ChangeDueData'];
export type Hose = Schemas['Hose'];
