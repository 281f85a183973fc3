// Generated from docs/api.yaml by `php artisan mint:api`: do not edit.

export interface Acceptance {
    id: number;
    at: string;
    by: string;
    source: string;
    figures: ClubFigures;
    report: AcceptanceReport;
    acceptedAt: string | null;
    why: string;
}

export interface AcceptanceReport {
    checks: { name: string; ordered: number | null; delivered: number | null; tolerance: number; off: number | null; isWithin: boolean | null; }[];
    isHandRight: boolean;
    isGood: boolean;
    effect: Record<string, { value: number; interval: Interval; }> | null;
    turn: { label: string; loftOffDeg: number; faceOffDeg: number; } | null;
    gramsAtHead: number | null;
    cutMm: number | null;
    sendBack: boolean;
    because?: string[];
}

export interface Account {
    name: string;
    email: string;
    role: Role;
    passwordAt: string | null;
    secondFactorAt: string | null;
    recoveryCodesLeft: number;
    signIns: { id: number; device: string; from: string; at: string; seenAt: string; isThis: boolean; }[];
}

export interface Advice {
    age?: JudgementAge;
    swing?: string | null;
    swings?: SwingGroup[];
    benchmark: string;
    best: string;
    pick: string;
    runnerUp?: string | null;
    isConclusive: boolean;
    ties: string[];
    by?: string;
    wish?: string | null;
    level?: string[];
    expectedLoss: number;
    scoring: string;
    unit: string;
    basis: string;
    tieBreak?: TieBreak | null;
    outdoors?: { shots: number; windLeftIn: number; windMps: number; } | null;
    notHit: string[];
    simulatedShots: number;
    failures?: Failure[];
    wanted?: Record<string, Interval>;
    setups: Judgement[];
}

export interface Alike {
    rows: { measure: string; measured: number; alike: number; error: number; against: { value: number; interval: Interval; } | null; }[];
    ownShifts: { field: string; shift: number; carryM: number; }[];
    corrected: string[];
}

export interface AnswerCard {
    tag: string;
    n: number;
    standing: 'pick' | 'benchmark' | 'barred' | 'level' | 'worse' | 'open' | 'likely better' | 'likely worse';
    carryM: number;
    carryGainM: number;
    carryGainInterval: Interval;
    fairway: number | null;
    never: string | null;
    neverDrives: number | null;
    spinRpm: number | null;
}

/** One figure of a setup as it is expected: of a share also the drives of fourteen; and as it was seen. */
export interface AnswerFigure {
    value: number;
    drives: number | null;
    interval: Interval | null;
    seen: { in: number; of: number; } | number | null;
}

export interface AnswerRow {
    what: string;
    asked: 'wish' | 'never' | '';
    before: AnswerFigure;
    after: AnswerFigure | null;
    gain: number | null;
    gainInterval: Interval | null;
}

export interface Appointment {
    id: number;
    version: number;
    kind: string;
    day: string;
    time: string;
    until: string;
    start: string;
    minutes: number;
    swings: number;
    bay: { id: number; name: string; } | null;
    fitter: { id: number; name: string; } | null;
    player: { id: number; name: string; hand: Hand; language: string | null; } | null;
    fittingId: number | null;
    state: 'booked' | 'came' | 'missed' | 'cancelled';
    note: string;
}

export interface AppointmentKind {
    name: string;
    minutes: number;
    swings: number;
}

export interface Balanced {
    swingWeight: string;
    swingWeightPoints: number;
    totalG: number;
}

/** A make of ball beside the one that most was hit with: its drag and lift, less 1, and its carry from the same launch. */
export interface BallTold {
    ball: string;
    than: string;
    n: number;
    nThan: number;
    dragShare: number;
    liftShare: number;
    carryM: number;
    carrySdM: number;
}

export interface Bay {
    id: number;
    name: string;
    fittingId: number | null;
    tokenMadeAt: string | null;
}

/** What changes on the live screen with every shot. */
export interface BayChange {
    live: string;
    stamp: string;
    counts: Record<string, { shots: number; counted: number; simulated: number; }>;
    running: Trial | null;
    trials: Trial[];
    shots: Shot[];
    counted: number;
    mishits: Record<string, MishitReason[]>;
    mixed: { why: 'intent' | 'speed'; groups: { name: string; n: number; speedMps: number; }[]; } | null;
    means: Record<string, Summary | null>;
    setupMeans: Record<string, Summary | null> | null;
    benchmarkMeans: Record<string, Summary | null> | null;
    verdicts: LiveVerdict[];
    withheld: Withheld | null;
    flips: { policy: string; verdict: Verdict; }[];
    repeat: Repeated[];
    drift: DriftPoint[];
    queue: { tags: string[]; wrenchChanges: number; };
    budget: { swings: number | null; swingsHit: number; minutes: number | null; minutesUsed: number; };
    confirm: { benchmark: string; chosen: string; shotsEach: number; leg: number; tag: string | null; n: number; next: string | null; } | null;
    blind: { ordinal: number; of: number; shotsEach: number; set: boolean; guess: { trialId: number; options: { id: number; tag: string; }[]; } | null; } | null;
    asks: { trialId: number; open: string[]; first: string[]; due: boolean; } | null;
    revealed: RevealedBlind | null;
    pattern: { trial: Pattern | null; benchmark: Pattern | null; };
    speedSince: { byMps: number; trial: number | null; } | null;
    held: HeldShot[];
    heldInAll: number;
}

/** The live screen. */
export interface BayView {
    live: string;
    stamp: string;
    counts: Record<string, { shots: number; counted: number; simulated: number; }>;
    running: Trial | null;
    trials: Trial[];
    shots: Shot[];
    counted: number;
    mishits: Record<string, MishitReason[]>;
    mixed: { why: 'intent' | 'speed'; groups: { name: string; n: number; speedMps: number; }[]; } | null;
    means: Record<string, Summary | null>;
    setupMeans: Record<string, Summary | null> | null;
    benchmarkMeans: Record<string, Summary | null> | null;
    verdicts: LiveVerdict[];
    withheld: Withheld | null;
    flips: { policy: string; verdict: Verdict; }[];
    repeat: Repeated[];
    drift: DriftPoint[];
    queue: { tags: string[]; wrenchChanges: number; };
    budget: { swings: number | null; swingsHit: number; minutes: number | null; minutesUsed: number; };
    confirm: { benchmark: string; chosen: string; shotsEach: number; leg: number; tag: string | null; n: number; next: string | null; } | null;
    blind: { ordinal: number; of: number; shotsEach: number; set: boolean; guess: { trialId: number; options: { id: number; tag: string; }[]; } | null; } | null;
    asks: { trialId: number; open: string[]; first: string[]; due: boolean; } | null;
    revealed: RevealedBlind | null;
    pattern: { trial: Pattern | null; benchmark: Pattern | null; };
    speedSince: { byMps: number; trial: number | null; } | null;
    held: HeldShot[];
    heldInAll: number;
    inLine: { toeMm: number; highMm: number; assumed: boolean; } | null;
    screening: Screening;
    changeOver: { setupId: number; steps: string[]; wrenchChanges: number; }[];
    visit: { number: number; trials: number; };
    lastDone: LogEntry | null;
    bays: Bay[];
}

export interface Believed {
    mean: number;
    sd: number;
}

export interface BenchPlan {
    items: { headId: number | null; head: string; sleeve: string; masses: Record<string, number>; weights: string; why: string; missing: string[]; inStock: boolean; leadDays: number | null; price: number | null; currency: string; isTooDear: boolean; steps: string[]; wrenchChanges: number; }[];
    wrenchChanges: number;
    swings: number;
    budget: number | null;
    own: { missing: string[]; } | null;
    nothing: string;
}

export interface BinEntry {
    id: number;
    words: string;
    by: string;
    at: string;
    until: string;
}

export interface BridgeLine {
    cause: string;
    happened: number;
    repeats: number;
    error: number;
    noise: boolean;
}

export interface Brief {
    corridor: Corridor;
    weights: Record<string, number>;
    shape: string;
    miss: string;
    carryM: number | null;
    clubSpeedMps: number | null;
    attackDeg?: number | null;
    handicap: number | null;
    wants: string[];
    never: string[];
    asked?: string[];
    wish: string;
    turf: string;
    windMps: number;
    windFromDeg: number;
    altitudeM: number;
    temperatureC: number;
    holeLengthM: number;
    sixIronApexM: number | null;
    ball: string;
    habit: string;
    feel: string;
    swings: number | null;
    minutes: number | null;
    money: number | null;
    sureToBuy?: number | null;
    labour?: number | null;
    currency: string;
    purchase: string;
    startSide: string;
    school: string;
    scoring: string;
    aimFree: boolean;
    consent: boolean;
    minor: boolean;
    guardian: string;
}

export interface BriefChange {
    why: string;
    by: string;
    at: string;
    changes: { field: string; label: string; from: unknown; to: unknown; }[];
}

export interface CalculatedFlight {
    carryM: number;
    totalM: number;
    runM: number;
    sideM: number;
    curveM: number;
    totalSideM: number;
    apexM: number;
    apexAtM: number;
    descentDeg: number;
    hangTimeS: number;
    points: [number, number, number, number][];
    inRange: boolean;
    outOf: { field: string; value: number; low: number; high: number; } | null;
}

export interface CalculatedPlane {
    home: string;
    read: string;
    squares: number;
    soled: PlanePoint[];
    squared: PlanePoint[];
    mixed: PlanePoint[];
    check: { label: string; loftDeg: number; faceOpenDeg: number; lieDeg: number; missDeg: number; agrees: boolean; }[];
}

export interface CalculatedSwing {
    swingWeight: string;
    points: number;
    totalG: number;
    shaftMassG: number;
    shaftBalanceFromButtMm: number;
    perHeadG: number;
    perGripG: number;
    perHalfInch: number;
}

export interface CalculatedWeights {
    massG: number;
    cgToeMm: number;
    cgBackMm: number;
    cgUpMm: number;
    inertiaGcm2: number[][];
    swingWeight?: string;
    swingMomentOzIn?: number;
    warnings?: string[];
}

export interface CalculatedWindow {
    assumed: string[];
    carry: WindowFor;
    total: WindowFor;
}

export interface CalculatedWorth {
    base: { ballSpeedMps: number; launchDeg: number; spinRpm: number; carryM: number; totalM: number; apexM: number; descentDeg: number; };
    dynamicLoftDeg: number;
    rows: { what: string; by: number; unit: string; carryM: number; totalM: number; sideM: number; ballSpeedMps: number; launchDeg: number; spinRpm: number; }[];
}

export interface CalendarDays {
    zone: string;
    today: string;
    now: string;
    days: { date: string; open: [string, string][]; }[];
    bays: { id: number; name: string; }[];
    fitters: { id: number; name: string; }[];
    kinds: AppointmentKind[];
    hasFeed: boolean;
    appointments: Appointment[];
}

export interface Change {
    value: number;
    interval: Interval;
}

export interface Changed {
    value: number;
    change: number;
    interval: Interval;
}

export interface ClubBuild {
    shaft: string;
    lengthMm: number | null;
    ball: string;
    teeMm: number | null;
    cue: string;
}

export interface ClubFigures {
    hand: Hand;
    loftDeg: number | null;
    lieDeg: number | null;
    faceOpenDeg: number | null;
    lengthMm: number | null;
    swingWeightPoints: number | null;
    massG: number | null;
}

export interface Column {
    measure: string | null;
    unit: string | null;
    decimalMark: string;
    plus: string | null;
    zeroIsBlank: boolean;
}

export interface ColumnMap {
    headerRow: number | null;
    unitsRow: number | null;
    columns: Column[];
    keepSummaryRows: boolean;
    keepRepeats: boolean;
}

export interface Comparison {
    age: JudgementAge;
    swing: string | null;
    swings: SwingGroup[];
    benchmark: string | null;
    rows: { measure: string; label: string; cells: Record<string, ComparisonCell>; }[];
    sets: { tag: string; n: number; ellipse: Ellipse | null; inCorridor: { in: number; of: number; }; }[];
    field: Field | null;
}

export interface ComparisonCell {
    summary: Summary | null;
    computed: number;
    difference: { value: number; interval: Interval | null; clear: boolean; } | null;
}

export interface ConfirmRun {
    id: number;
    benchmark: string;
    chosen: string;
    shotsEach: number;
    rested: boolean;
    ended: string | null;
    legs: { tag: string; n: number; }[];
    verdict: ConfirmVerdict;
    drift: Record<string, number>;
    z: number | null;
    chance: number;
}

export type ConfirmVerdict = 'running' | 'drifted' | 'confirmed' | 'overturned' | 'open';

export interface ConsentRecord {
    text: string;
    guardian: string | null;
    takenBy: string;
    givenAt: string;
    withdrawnAt: string | null;
}

export interface Corridor {
    widthM: number;
    left: Trouble;
    right: Trouble;
}

export interface DataState {
    backups: { name: string; at: string; label: string; rows: number; bytes: number; seconds: number; verified: boolean; }[];
    backupsTo: string;
    backupAt: string;
    keepDays: number;
    erased: number;
    erasingKeeps: string;
}

export interface DayBookEntry {
    id: number;
    player: Player;
    wants: string;
    setups: { tag: string; counted: number; }[];
    simulated: number;
    decided: string | null;
    order: OrderStanding | null;
    missing: Missing;
    updatedAt: string;
}

export interface Decision {
    id: number;
    setupId: number;
    tag: string;
    advisedSetupId: number;
    reason: string;
    by: string;
    at: string;
    advice: Advice;
    version: number;
    lockedAt: string | null;
    reopenedAt: string | null;
    reopenWhy: string;
}

/** A decision with what it rested on when it was locked. */
export interface DecisionWithProof {
    id: number;
    setupId: number;
    tag: string;
    advisedSetupId: number;
    reason: string;
    by: string;
    at: string;
    advice: Advice;
    version: number;
    lockedAt: string | null;
    reopenedAt: string | null;
    reopenWhy: string;
    proof: Proof | null;
}

export interface DriftPoint {
    sequence: number;
    trial: number | null;
    setupId: number;
    speedMps: number;
    club: boolean;
    counts: boolean;
}

/** An earlier fitting of a player; its clubs with the one that was decided first. */
export interface EarlierFitting {
    id: number;
    at: string;
    wish: string;
    decided: string | null;
    clubs: { id: number; tag: string; name: string; }[];
}

export interface Ellipse {
    acrossM: number;
    alongM: number;
    halfLongM: number;
    halfShortM: number;
    turnDeg: number;
}

/** What the models failed on: a fault of ours, told with what to quote. */
export interface Failure {
    computing: string;
    reference: string;
    line: string;
}

export interface Field {
    ballSpeedMps: number;
    launchDeg: number[];
    spinRpm: number[];
    carryM: number[];
}

/** One thing that the shots say; `kind` is worded by the screen, figures are in kept units. */
export interface Finding {
    tag: string;
    kind: FindingKind;
    figures: Record<string, number | string | string[]>;
    forCoach: boolean;
    gives: { head: string; sleeve: string; rackAt: number | null; loftDeg: number; sdDeg: number; sameHead: boolean; statedLoftDeg: number; readLoftDeg: number | null; inStock: boolean; toOrder: boolean; leadDays: number | null; price: number | null; currency: string; } | null;
}

export type FindingKind = 'usualMiss' | 'offCgLine' | 'smashLow' | 'attackDown' | 'faceToPath' | 'spinTooHigh' | 'spinTooLow' | 'descentTooSteep' | 'descentTooShallow' | 'twoWayMiss' | 'hiddenCurve' | 'startsThere' | 'curvesThere' | 'drawsToHeel' | 'drawsToToe';

export interface Fitting {
    id: number;
    version: number;
    live: string;
    practice: boolean;
    remembered: number | null;
    player: Player;
    brief: Brief;
    typed: Record<string, { value: string; unit: string; }>;
    squaringShare: number;
    order: { id: number; standing: OrderStanding; built: ClubFigures | null; } | null;
    intake: PlayersWords | null;
    briefAgreedAt: string | null;
    benchmarkSetupId: number | null;
    createdAt: string;
    updatedAt: string;
    setups: Setup[];
    names: Record<string, { head: string; loftDeg?: number; sleeve?: string; weights?: string; shaft?: string; lengthMm?: number; grip?: string; ball?: string; teeMm?: number; cue?: string; }>;
    wrongHand: string[];
    earlier: EarlierFitting[];
    visits: number[];
    trials: TrialName[];
    ratings: Record<string, Record<string, number>>;
    unrated: { trialId: number; tag: string; }[];
    screening: Screening;
    tieOrder: string[];
    asksRatings: boolean;
    decision: Decision | null;
    missing: Missing;
}

/** The one answer of a fitting: what to take, keep or hit first, and what it does for what the brief asks for. */
export interface FittingAnswer {
    age?: JudgementAge;
    swing: string | null;
    swings: SwingGroup[];
    kind: 'take' | 'keep' | 'hit';
    why: string | null;
    before: string | null;
    after: string | null;
    chance: number | null;
    rows: AnswerRow[];
    drives: Record<string, FourteenDrives>;
    field: AnswerCard[];
    judge: Advice | null;
    step: NextStep;
    unhit: { turn: string | null; best: string | null; };
}

/** Launch, spin, apex or descent that is expected of a setup, and how it stands to what the player wants */
export interface FlightFigure {
    value: number;
    interval: Interval;
    standing: 'low' | 'wanted' | 'high';
}

export interface FollowUp {
    promise: { tag: string; own: string; isOverruled: boolean; keepsOwn: boolean; shareBefore: number | null; shareNow: number | null; carryGainM: number | null; carryGain: Interval | null; chanceBetter: number | null; carryNowM: number | null; } | null;
    seen: { fairways: Kept; against: string; now: { rounds: number; drives: number; hit: number; left: number; right: number; lost: number; }; share: Interval | null; before: { rounds: number; drives: number; hit: number; } | null; gain: Interval | null; difference: number | null; error: number | null; promisedGain: number | null; moreDrives: number | null; miss: string | null; drivesM: number | null; measured: number; feel: number | null; advice: string; } | null;
    rounds: Round[];
    tweaks: { kind: string; to: string; loftDeg: number; faceOpenDeg: number; masses: Record<string, number>; slots: Slot[]; effect: Record<string, { value: number; interval: Interval; }> | null; }[];
    refit: { fittingId: number; setupId: number; } | null;
}

export interface Forgiveness {
    seen: number;
    zones: { zone: string; n: number; ballSpeedMps: number | null; spinRpm: number | null; carryM: number | null; }[];
    costs: Record<string, { ballSpeedMps: number; carryM: number; spinRpm: number; sideM: number; }>;
    correction: number;
    worstCarryM: number;
    worstAt: string;
    assumed: boolean;
}

export interface Found {
    age: JudgementAge;
    swing: string | null;
    swings: SwingGroup[];
    own: string;
    benchmark: string;
    only: string;
    preset: string;
    tooDear: string[];
    step: NextStep;
    calibration: MonitorVisit[];
    balls: BallTold[];
    scoring: string;
    unit: string;
    count: number;
    best: string;
    pick: string;
    expectedLoss: number;
    mayStop: boolean;
    ties: number;
    within: number;
    unreadable: string[];
    failures: Failure[];
    next: { tag: string; value: number; changes: number; turns: number; to: string | null; chance: number; for: string; } | null;
    learned: Record<string, { prior: number; priorSd: number; now: number; sd: number; }>;
    ownEffects: { head: string | null; with: { shaft?: string; lengthMm?: number | null; ball?: string; teeMm?: number | null; cue?: string; }; effects: Record<string, Believed>; }[];
    trade: { front: string[]; perCarryM: number; perShare: number; level: number; agreement: number; };
    guard: { kind: string; front: string[]; safest: string; farthest: string; }[];
    wanted: Record<string, Interval>;
    setups: FoundSetup[];
}

export interface FoundSetup {
    tag: string;
    setupTag: string | null;
    head: string;
    rackAt: number | null;
    headId: number | null;
    sleeve: string;
    weights: string;
    masses: Record<string, number> | null;
    with: { shaft?: string; lengthMm?: number | null; ball?: string; teeMm?: number | null; cue?: string; };
    like: string | null;
    inStock: boolean;
    orderable: boolean;
    otherLoftDeg: number | null;
    printSdDeg: number;
    leadDays: number | null;
    price: number | null;
    currency: string;
    loftDeg: number;
    faceOpenDeg: number;
    carryM: number;
    carryGainM: number;
    carryGainInterval: Interval;
    totalM: number;
    sideM: number;
    sideInterval: Interval;
    spreadM: number;
    apexM: number;
    share: number;
    shareInterval: Interval;
    leftShare: number;
    rightShare: number;
    troubleShare: number;
    never: NeverSeen[];
    gain: number;
    gainInterval: Interval;
    aimFixedGain: number;
    chance: number;
    aimDeg: number;
    tied: boolean;
    tested: boolean;
    flight: Record<string, FlightFigure>;
    wishes: WishAnswer[];
    seen: Seen | null;
}

export interface FourteenDrives {
    fairway: number;
    left: number;
    right: number;
    drives: { sideM: number; totalM: number; end: 'left' | 'fairway' | 'right'; }[];
}

export interface GapClub {
    name: string;
    kind: string;
    loftDeg: number;
    lieDeg: number;
    faceOpenDeg: number;
    position: string;
    n: number;
    carryM: number | null;
    spreadM: number | null;
    interval: Interval | null;
    spinRpm: number | null;
    launchDeg: number | null;
    leftOut: number;
    inRange: boolean;
    descentDeg: number | null;
    descentFrom: 'measured' | 'computed' | 'unknown';
    runM: number | null;
    runFrom: 'measured' | 'computed' | 'unknown';
}

/** The club that a hole between two clubs asks for */
export interface GapFill {
    carryM: number;
    loftDeg: number;
    best: string;
    clubs: { kind: string; launchDeg: number | null; spinRpm: number | null; descentDeg: number | null; apexM: number | null; runM: number | null; holds: boolean | null; }[];
}

export interface GapMove {
    club: string;
    gapM: number;
    position: string;
    loftDeg: number;
    faceOpenDeg: number;
    lieDeg: number;
    carryM: number;
    interval: Interval;
    by: 'flight' | 'own clubs';
}

/** Carry of each long club and the gaps between them */
export interface Gaps {
    clubs: GapClub[];
    gaps: { from: string; to: string; gapM: number; interval: Interval; verdict: 'wide' | 'narrow' | 'even' | 'open'; offM: number; moves: GapMove[]; fill: GapFill | null; }[];
    wantedM: number | null;
    isEven: boolean;
    spreadShare: number;
    perDegree: { carryM: number; interval: Interval; n: number; } | null;
    driver: string | null;
    squaringShare: number;
    longClubs: LongClub[];
}

export interface Grounds {
    age?: JudgementAge;
    swing?: string | null;
    swings?: SwingGroup[];
    benchmark: string;
    best: string;
    pick: string;
    runnerUp?: string | null;
    isConclusive: boolean;
    ties: string[];
    by?: string;
    wish?: string | null;
    level?: string[];
    expectedLoss: number;
    scoring: string;
    unit: string;
    basis: string;
    tieBreak?: TieBreak | null;
    outdoors?: { shots: number; windLeftIn: number; windMps: number; } | null;
    notHit: string[];
    simulatedShots: number;
    failures?: Failure[];
    wanted?: Record<string, Interval>;
    setups: Judgement[];
    otherSwings?: { swing: string; pick: string | null; carryGainM: number | null; }[];
    worth: Worth | null;
    days: OtherDay[];
    calibration?: MonitorVisit[];
    balls?: BallTold[];
    confirm: ConfirmRun | null;
}

/** One thing that could make a comparison unfair. */
export interface GuardRail {
    tag: string;
    kind: GuardRailKind;
    figures: Record<string, number | string | string[]>;
}

export type GuardRailKind = 'fewShots' | 'printedLoft' | 'twoChanges' | 'otherBall' | 'notTheirBall' | 'rangeBall' | 'otherTee' | 'otherVisit' | 'otherConditions' | 'windTakenOut' | 'windLeftIn' | 'playerCompensating' | 'labelAndDataDisagree' | 'speedFalling' | 'speedRising' | 'mixedSpeeds' | 'monitorDisagrees' | 'notMeasured' | 'carryOff' | 'toldOff';

export type Hand = 'right' | 'left';

/** What the head of a setup can be turned to, as this player delivers it, and weighted with; what is in it now first. */
export interface HandView {
    head: string;
    sleeve: string;
    home: string;
    masses: Record<string, number>;
    positions: PlanePoint[];
    arrangements: { masses: Record<string, number>; words: string; massG: number; cgToeMm: number; cgBackMm: number; }[];
}

export interface HeadDetail {
    id: number;
    label: string;
    maker: string;
    hand: Hand;
    type: string;
    sleeveId: number | null;
    sleeveName: string;
    positions: string[];
    statedLoftDeg: number;
    statedLieDeg: number;
    statedFaceOpenDeg: number;
    volumeCm3: number | null;
    massG: number | null;
    cgToeMm: number | null;
    cgBackMm: number | null;
    cgUpMm: number | null;
    bulgeMm: number | null;
    rollMm: number | null;
    inertiaGcm2: number[][] | null;
    slots: Slot[];
    stockG: number[];
    standard: Record<string, number>;
    supply: Supply;
    note: string;
    assumed: string[];
    measured: Record<string, InForce>;
    loftOffDeg: number | null;
    loftOffWarn: boolean;
    home: PlanePoint | null;
    body: { massG: number; cgToeMm: number; cgBackMm: number; cgUpMm: number; inertiaGcm2: number[][]; };
    warnings: string[];
    plane: Plane;
    memory: { players: number; fittings: number; elsewhere: boolean; effects: { effect: string; mean: number; low: number; high: number; moved: boolean; }[]; } | null;
    faceMap: { toeMm: number; highMm: number; loftDeg: number; faceOpenDeg: number; ballSpeedShare: number; }[];
    history: { id: number; values: Record<string, number[]>; position: string; readAs: string; way: string; source: string; note: string; by: string; at: string; inForce: string[]; }[];
}

/** A held shot whole, as it was sent. */
export interface HeldDetail {
    id: number;
    reason: string;
    at: string;
    source: string;
    senderId: string;
    session: string | null;
    sequence: number | null;
    hitAt: string | null;
    values: Record<string, unknown>;
    sent: string;
}

export interface HeldShot {
    id: number;
    reason: string;
    at: string;
    source: string;
}

export interface InForce {
    value: number;
    n: number;
    spread: number;
    position: string;
    readAs: string;
    source: string;
}

export interface IntakePage {
    isSent: boolean;
    mayAnswer: boolean;
    consentText: string;
    appointment: { at: string; time: string; minutes: number; } | null;
}

export interface Interval {
    low: number;
    high: number;
}

/** What the judge says after n counted shots, and the one next thing to do; next: the candidate that it is about */
export interface Judge {
    age: JudgementAge;
    n: number;
    judge: Advice | null;
    step: NextStep;
    next: { tag: string; setupTag: string | null; headId: number | null; head: string; sleeve: string; weights: string; masses: Record<string, number> | null; with: { shaft?: string; lengthMm?: number | null; ball?: string; teeMm?: number | null; cue?: string; }; like: string | null; } | null;
}

export interface JudgedSetup {
    tag: string;
    n: number;
    clubSeen: boolean;
    strikeSeen: boolean;
    verdicts: LiveVerdict[];
    withheld: Withheld | null;
    flips: { policy: string; verdict: Verdict; }[];
    delivery: { field: string; value: number; error: number; from: string; }[];
    alike: Alike | null;
    bridges: WhyBridge[];
    forgiveness: Forgiveness | null;
    diagnosis: Finding[];
    path: { points: [number, number, number][]; carryM: number; apexM: number; } | null;
    inLine: { toeMm: number; highMm: number; assumed: boolean; } | null;
}

export interface Judgement {
    tag: string;
    n: number;
    carry: Summary | null;
    total: Summary | null;
    share: number;
    shareInterval: Interval;
    leftShare?: number;
    rightShare?: number;
    shareGain?: number;
    shareGainInterval?: Interval;
    expectedCarryM?: number;
    carryGainM?: number;
    carryGainInterval?: Interval;
    totalGainM?: number;
    totalGainInterval?: Interval;
    flight?: Record<string, FlightFigure>;
    wishes?: WishAnswer[];
    curveM?: number | null;
    seen?: Seen;
    exaggerates?: string[];
    averages?: Record<string, number>;
    expectedTotalM?: number;
    troubleShare?: number;
    never?: NeverSeen[];
    barredBy?: string[];
    sideKnown: number;
    spreadM: number;
    strokes: number;
    strokesInterval: Interval;
    aimFixedStrokes: number;
    chanceBetter: number;
    aimDeg: number;
    gain: number;
    gainInterval: Interval;
    expectedLoss: number;
    trade: { costM: number; loftChangeDeg: number; bestLaunchDeg: number; bestSpinRpm: number; within: [number, number]; attackAssumed: boolean; } | null;
}

/** How many shots a judgement is of, and how many count now; a newer judgement follows where it is not current */
export interface JudgementAge {
    shots: number;
    of: number;
    isCurrent: boolean;
    at: string;
}

export interface Judging {
    age: JudgementAge;
    swing: string | null;
    swings: SwingGroup[];
    benchmark: string | null;
    screening: string;
    setups: JudgedSetup[];
    rails: GuardRail[];
    judge: Advice | null;
    next: NextMove | null;
    calibration: MonitorVisit[];
    balls: BallTold[];
    failures: Failure[];
}

export type Kept = 'kept' | 'broken' | 'not yet';

export interface KnownPlayer {
    id: number;
    name: string;
    hand: Hand;
    units: UnitChoice;
    fittings: EarlierFitting[];
}

export interface LadderFigures {
    loftDeg: number;
    faceOpenDeg: number;
    deliveredLoftDeg: number;
    launchDeg: number;
    spinRpm: number;
    carryM: number;
    carryInterval: Interval;
    totalM: number;
    sideM: number;
    apexM: number;
    carryGainM: number;
    carryGainInterval: Interval;
}

export interface Ledger {
    counts: { handedOver: number; known: number; kept: number; broken: number; notYet: number; overruled: number; };
    bias: { value: number; interval: Interval; } | null;
    chances: { from: number; to: number; n: number; told: number; shows: number; came: number; interval: Interval; }[];
    heads: { head: string; n: number; value: number; interval: Interval; }[];
    overruled: { n: number; value: number; interval: Interval; } | null;
    verdict: 'counts only' | 'trust it' | 'too high' | 'too low';
}

/** The ways to bring a club to another length */
export interface LengthBalance {
    was: Balanced;
    free: Balanced;
    solutions: { kind: 'head' | 'butt' | 'headAndButt' | 'headAndGrip' | 'tip'; headG: number; buttG: number; tipCutMm: number; buttCutMm: number; swingWeight: string; swingWeightPoints: number; totalG: number; shaftG: number; gripG: number; why: string[]; }[];
}

export interface LengthPlan {
    lengthMm: number;
    headG: number;
    buttG: number;
    gripG: number;
    tipCutMm: number;
    buttCutMm: number;
    swingWeightPoints: number;
    totalG: number;
}

export interface LinkPage {
    kind: 'intake' | 'report' | 'rounds';
    studio: string;
    language: string;
    languages: string[];
    units: UnitChoice;
    until: string;
    today: string;
    intake?: IntakePage;
    rounds?: RoundsPage;
    report?: ReportPage;
}

export interface LinkShown {
    person: Person;
    path: string;
    hours: number;
    mailed: boolean;
}

/** How a setup stands against the benchmark; better is value × way > 0, and as good as it within the margin. */
export interface LiveVerdict {
    name: string;
    measure: Measure;
    verdict: Verdict;
    value: number;
    interval: Interval;
    declared: boolean;
    wanted: boolean;
    way: number;
    margin: number;
    moreShots: number | null;
}

/** Is more loft straighter; in wind, flight it down or keep the window */
export interface LoftAndWind {
    age: JudgementAge;
    loft: { tag: string; lofts: { loftDeg: number; launchDeg: number; spinRpm: number; axisDeg: number; carryM: Changed; sideSpreadM: Changed; share: Changed; strokes: Changed; }[]; answer: 'straighter' | 'wider' | 'same' | 'open'; chance: number; sideShare: number; angleShare: number; };
    wind: { tag: string; windMps: number; downDeg: number; winds: { wind: string; fromDeg: number; keep: { carryM: number; totalM: number; sideM: number; apexM: number; }; carryM: Changed; totalM: Changed; sideM: Changed; strokes: Changed; chanceLonger: number; answer: 'down' | 'keep' | 'open'; }[]; };
}

/** One head in each of its lofts, for this player */
export interface LoftLadder {
    age: JudgementAge;
    head: string;
    heads: string[];
    from: 'shots' | 'brief';
    own: string | null;
    clubSpeedMps: number;
    squaringShare: number;
    wantedLoftDeg: number;
    wantedBandDeg: [number, number];
    rungs: LoftRung[];
}

export interface LoftRung {
    name: string;
    position: string;
    statedLoftDeg: number;
    readLoftDeg: number | null;
    inStock: boolean;
    toOrder: boolean;
    leadDays: number | null;
    price: number | null;
    currency: string;
    printSdDeg: number;
    reachDeg: [number, number];
    soled: LadderFigures | null;
    squared: LadderFigures | null;
}

export interface LogEntry {
    id: number;
    words: string;
    by: string;
    at: string;
    undoable: boolean;
    undone: boolean;
}

export interface LongClub {
    id: number;
    name: string;
    kind: 'fairway wood' | 'hybrid' | 'iron';
    loftDeg: number;
    lieDeg: number;
    faceOpenDeg: number;
    position: string;
    sleeve: string | null;
    positions: string[];
    shots: { values: Record<string, number>; typed: Record<string, string>; }[];
    version: string;
}

export interface Look {
    id: number;
    by: string;
    player: string;
    fitting: number | null;
    what: string;
    at: string;
}

export type Measure = 'clubSpeedMps' | 'ballSpeedMps' | 'smash' | 'attackDeg' | 'pathDeg' | 'faceDeg' | 'faceToPathDeg' | 'dynamicLoftDeg' | 'launchDeg' | 'directionDeg' | 'spinRpm' | 'backSpinRpm' | 'sideSpinRpm' | 'spinAxisDeg' | 'carryM' | 'totalM' | 'sideM' | 'totalSideM' | 'curveM' | 'apexM' | 'descentDeg' | 'hangTimeS' | 'strikeToeMm' | 'strikeHighMm' | 'hitAt' | 'setupTag' | 'note';

export interface MemoryEffect {
    effect: string;
    without: number;
    with: number;
    verdict: 'nearer' | 'farther' | 'open';
}

export interface MishitReason {
    measure: string;
    value: number;
    usual: number;
    why: string;
}

/** What each step still needs; empty where nothing is missing. */
export interface Missing {
    brief: string;
    bench: string;
    bay: string;
    answer: string;
    sheet: string;
}

/** A monitor on a visit beside the flight model: measured over computed, less 1, before and after calibration; the offsets. */
export interface MonitorVisit {
    monitor: string;
    visit: number | null;
    n: number;
    dragOffset: number;
    liftOffset: number;
    spinOffset: number;
    sd: [number, number, number];
    carryShare: number | null;
    carryShareAfter: number | null;
    apexShare: number | null;
    apexShareAfter: number | null;
    residualBeforeM: number;
    residualAfterM: number;
    disagrees: boolean;
}

/** What the brief never wants to see, as a chance per drive of one setup; strokes and metres: what it costs more than with the benchmark */
export interface NeverSeen {
    kind: string;
    chance: number;
    ofBenchmark: number;
    likelier: number;
    isBarred: boolean;
    strokes: number;
    metres: number;
}

export interface NextMove {
    head: string;
    sleeve: string;
    weights: string;
    mends: FindingKind;
    effect: Record<string, { value: number; low: number; high: number; }>;
}

/** The one thing to do next, the same on every screen */
export interface NextStep {
    kind: 'baseline' | 'settle' | 'more' | 'benchmark' | 'hit' | 'stop' | 'none';
    tag: string | null;
    shots: number | null;
    why: string | null;
}

/** Wind and air of a trial outdoors; wind from 0° into the face, 90° from the right. */
export interface OpenAir {
    windMps: number;
    windFromDeg: number;
    temperatureC: number;
    altitudeM: number;
}

export interface Order {
    state: OrderState;
    waitsFor: string;
    dueOn: string | null;
    isLate: boolean;
    id: number;
    version: number;
    fittingId: number;
    player: { id: number; name: string; hand: Hand; units: UnitChoice; };
    club: string;
    tag: string;
    sleeveLabel: string;
    lines: { what: string; label: string; price: number | null; }[];
    labour: number;
    total: number;
    currency: string;
    days: number | null;
    note: string;
    why: string;
    next: OrderState[];
    steps: { state: string; at: string; by: string; }[];
    figures: ClubFigures;
    tolerances: Record<string, number>;
    acceptances: Acceptance[];
}

export interface OrderStanding {
    state: OrderState;
    waitsFor: string;
    dueOn: string | null;
    isLate: boolean;
}

export type OrderState = 'asked' | 'ordered' | 'arrived' | 'built' | 'checked' | 'handed over' | 'returned' | 'cancelled';

export interface OtherDay {
    day: string;
    pick: string;
    best: string;
    of: string;
    gain: number;
    interval: Interval;
    chance: number;
    turns: boolean;
    carryM: number;
    keepCost?: number;
}

export interface Outlook {
    clubSpeedMps: number;
    speedFrom: string;
    attackDeg: number;
    attackFrom: string;
    ballSpeedMps: number;
    ridge: RidgePoint[];
    target: number;
    bandDeg: [number, number];
    wantedApexM: number;
    headLoft: { head: string; statedLoftDeg: number; position: string; toOrder: boolean; from: string; } | null;
    carryInStillAirM: number;
    windSideM: number;
    field: Field;
    price: { tenMetres: number; rough: number; left: number; right: number; sharePerTenMetres: number; };
}

export interface Part {
    id: number;
    kind: 'shaft' | 'grip' | 'ball';
    label: string;
    data: Record<string, number | string>;
    supply: Supply;
}

/** Where a setup lands: the ellipse and the mean, the sides of its shots, and the flight of its mean ball. */
export interface Pattern {
    ellipse: Ellipse | null;
    sideM: number | null;
    carryM: number | null;
    sides: number[];
    path: { points: [number, number, number][]; carryM: number; apexM: number; } | null;
}

export interface Person {
    id: number;
    name: string;
    email: string | null;
    role: Role;
    bay: string | null;
    isInvited: boolean;
    hasSecondFactor: boolean;
    removedAt: string | null;
    seenAt: string | null;
    open: number;
}

export interface Plane {
    home: string;
    squaringShare: number;
    soled: PlanePoint[];
    squared: PlanePoint[];
    mixed: PlanePoint[];
}

export interface PlanePoint {
    label: string;
    loftDeg: number;
    faceOpenDeg: number;
    lieDeg: number;
}

export interface Player {
    id: number;
    name: string;
    hand: Hand;
    units: UnitChoice;
}

export interface PlayerLink {
    id: number;
    kind: 'intake' | 'report' | 'rounds';
    fittingId: number | null;
    by: string;
    at: string;
    until: string;
    isGood: boolean;
    openedAt: string | null;
    usedAt: string | null;
    path: string | null;
}

export interface PlayerRecord {
    id: number;
    name: string;
    hand: Hand;
    isErased: boolean;
    language: string | null;
    fittings: { id: number; at: string; }[];
    story: { at: string; kind: string; words: string; fittingId: number | null; }[];
    clubs: { fittingId: number; at: string; what: string; name: string; loftDeg: number | null; lengthMm: number | null; }[];
    known: { fittingId: number; at: string; n: number; clubSpeedMps: number | null; ballSpeedMps: number | null; launchDeg: number | null; spinRpm: number | null; carryM: number | null; }[] | null;
    units: UnitChoice;
    consents: ConsentRecord[];
    consentText: string;
}

export interface PlayersWords {
    at: string;
    standing: string[];
    course: string;
    club: string;
    consentAt: string | null;
    pain: string | null;
}

export interface Presented {
    loftDeg: number;
    faceOpenDeg: number;
    lieDeg: number;
}

export interface Preview {
    id: number;
    name: string;
    state: string;
    encoding: string;
    delimiter: string;
    remembered: boolean;
    problem: string | null;
    map: ColumnMap;
    lines: { line: number; text: string; }[];
    columns: { header: string; samples: string[]; unitWhy: string; }[];
    counts: { shot: number; bad: number; summary: number; header: number; repeat: number; already: number; };
    earlier: { shots: number; at: string; } | null;
    shots: PreviewRow[];
    problems: PreviewRow[];
    problemCount: number;
    tags: { tag: string; shots: number; setupId: number | null; make: boolean; }[] | null;
}

export interface PreviewRow {
    line: number;
    kind: string;
    values: Record<string, number>;
    typed: Record<string, string>;
    setupTag: string | null;
    issues: { field: string; refused: boolean; message: string; }[];
}

/** Why a request was refused, or failed. */
export interface Problem {
    message: string;
    errors?: Record<string, string[]>;
    reference?: string;
    current?: unknown;
    doubtful?: unknown;
    differs?: string[];
    results?: PostedAnswer[];
}

/** What a decision rested on when it was locked. */
export interface Proof {
    age?: JudgementAge;
    swing?: string | null;
    swings?: SwingGroup[];
    benchmark: string;
    best: string;
    pick: string;
    runnerUp?: string | null;
    isConclusive: boolean;
    ties: string[];
    by?: string;
    wish?: string | null;
    level?: string[];
    expectedLoss: number;
    scoring: string;
    unit: string;
    basis: string;
    tieBreak?: TieBreak | null;
    outdoors?: { shots: number; windLeftIn: number; windMps: number; } | null;
    notHit: string[];
    simulatedShots: number;
    failures?: Failure[];
    wanted?: Record<string, Interval>;
    setups: Judgement[];
    otherSwings?: { swing: string; pick: string | null; carryGainM: number | null; }[];
    worth: Worth | null;
    days: OtherDay[];
    calibration?: MonitorVisit[];
    balls?: BallTold[];
    confirm: ConfirmRun | null;
    schools: Schools;
    brief?: Brief;
}

export interface Rack {
    heads: RackHead[];
    sleeves: Sleeve[];
    parts: Part[];
}

export interface RackHead {
    id: number;
    label: string;
    maker: string;
    hand: Hand;
    type: string;
    sleeveId: number | null;
    sleeveName: string;
    positions: string[];
    statedLoftDeg: number;
    statedLieDeg: number;
    statedFaceOpenDeg: number;
    volumeCm3: number | null;
    massG: number | null;
    cgToeMm: number | null;
    cgBackMm: number | null;
    cgUpMm: number | null;
    bulgeMm: number | null;
    rollMm: number | null;
    inertiaGcm2: number[][] | null;
    slots: Slot[];
    stockG: number[];
    standard: Record<string, number>;
    supply: Supply;
    note: string;
    assumed: string[];
    measured: Record<string, InForce>;
    loftOffDeg: number | null;
    loftOffWarn: boolean;
    home: PlanePoint | null;
    body: { massG: number; cgToeMm: number; cgBackMm: number; cgUpMm: number; inertiaGcm2: number[][]; };
    warnings: string[];
}

export interface Repeated {
    measure: string;
    value: number;
    moved: boolean;
    since: number;
}

export interface ReportPage {
    title: string;
    flight: { name: string; before: string; now: string; wanted: string; }[];
    fitted: string;
    lead: string;
    three: { big: string; small: string; text: string; }[];
    changes: string[];
    gaveUp: string;
    ratings: string;
    reason: string;
    club: [string, string][];
    air: string;
    isMadeUp: boolean;
    pictures: { flights: string; landing: string; club: string; fourteen: string; };
}

/** What a blind trial said: by its own shots, and whether the player could tell the settings. */
export interface RevealedBlind {
    order: string[];
    against: string;
    verdicts: { tag: string; name: string; verdict: Verdict; }[];
    guess: { right: number; of: number; p: number; better: boolean; canTell: boolean; } | null;
}

export interface RidgePoint {
    loftDeg: number;
    launchDeg: number;
    spinRpm: number;
    carryM: number;
    totalM: number;
    apexM: number;
    descentDeg: number;
}

export type Role = 'owner' | 'fitter' | 'desk' | 'guest';

export interface Round {
    id: number;
    playedOn: string;
    course: string;
    club: 'new' | 'before';
    holes: number;
    hit: number;
    left: number;
    right: number;
    lost: number;
    drivesM: number[];
    feel: number | null;
    words: string;
    byLink: boolean;
}

export interface RoundsPage {
    told: { playedOn: string; course: string; club: string; }[];
    courses: string[];
}

export interface SchoolCell {
    pick: string;
    best?: string;
    gain: number;
    chance: number;
    ownIsLevel?: boolean;
    ties: string[];
}

export interface SchoolRow {
    scoring: string;
    unit: string;
    declared: boolean;
    cells: (SchoolCell | null)[];
}

export interface Schools {
    age?: JudgementAge;
    policies: { name: string; label: string; }[];
    rows: SchoolRow[];
    unanimous: boolean;
    picks: Record<string, number>;
}

export type Scoring = 'fewest strokes' | 'straightest' | 'longest' | 'guarded height' | 'running' | 'feel first' | 'own weights';

export interface Screening {
    name: string;
    label: string;
    warning: string;
}

export interface Season {
    months: number;
    fittings: number;
    decided: number;
    keptOwn: number;
    overruled: number;
    ordered: number;
    handedOver: number;
    returned: number;
    cancelled: number;
    why: string[];
    heads: { id: number; label: string; hand: Hand; inStock: boolean; hit: number; won: number; ordered: number; returned: number; }[];
    ledger: Ledger;
    memory: { fittings: number; heads: number; effects: MemoryEffect[]; } | null;
}

/** Averages and counts of these shots: what everybody saw, no estimate */
export interface Seen {
    n: number;
    averages: Record<string, number>;
    fairways: { in: number; of: number; } | null;
}

export interface SessionState {
    user: SignedIn | null;
    locked: boolean;
    wantsCode: boolean;
}

export interface Setup {
    id: number;
    tag: string;
    position: number;
    isBaseline: boolean;
    branchedFromId: number | null;
    head: string;
    statedLoftDeg: number;
    measuredLoftDeg: number | null;
    measuredLieDeg: number | null;
    measuredFaceOpenDeg: number | null;
    sleeveLabel: string;
    sleeveLoftDeg: number | null;
    sleeveFaceOpenDeg: number | null;
    sleeveLieDeg: number | null;
    weights: string;
    shaft: string;
    grip: string;
    lengthMm: number | null;
    lengthPlan: LengthPlan | null;
    ball: string;
    note: string;
    headId: number | null;
    asItComes: boolean;
    masses: Record<string, number> | null;
    shaftId: number | null;
    gripId: number | null;
    ballId: number | null;
    teeMm: number | null;
    cue: string;
    playing: { plays: Presented; squared: Presented; soled: Presented; lieAssumed: boolean; loftFromPrint: boolean; byStandIn: boolean; };
    loftOffDeg: number | null;
    body: { massG: number; cgToeMm: number; cgBackMm: number; cgUpMm: number; assumed: string[]; } | null;
    swingWeight: { label: string; points: number; measured: boolean; source: string; } | null;
    warnings: string[];
    shelf: string;
    shelfReason: string;
    starred: boolean;
    shots: number;
    counted: number;
    simulated: number;
}

export interface Shot {
    id: number;
    setupId: number;
    trialId: number | null;
    sequence: number;
    line: number | null;
    source: string;
    measured: Record<string, number>;
    computed: Record<string, number>;
    inWind: Record<string, number>;
    typed: Record<string, unknown>;
    flags: string[];
    hitAt: string | null;
    note: string | null;
    intent: string;
    leftOut: { reason: string; note: string | null; at: string; } | null;
}

export interface SignedIn {
    id: number;
    name: string;
    studio: string;
    zone: string;
    isDemo: boolean;
    takesSimulated: boolean;
    role: Role;
    lockMinutes: number;
    wantsSecondFactor: boolean;
}

export interface Sleeve {
    check: { label: string; loftDeg: number; faceOpenDeg: number; lieDeg: number; missDeg: number; agrees: boolean; }[];
    plane: Plane;
    id: number;
    name: string;
    spec: SleeveSpec;
    heads: number;
}

export interface SleeveCheck {
    check: { label: string; loftDeg: number; faceOpenDeg: number; lieDeg: number; missDeg: number; agrees: boolean; }[];
    plane: Plane;
}

export interface SleeveSpec {
    name: string;
    kind: string;
    home?: string;
    printedFor?: string;
    tiltDeg?: number | string;
    ringTiltsDeg?: (number | string)[];
    positions: { label: string; clockDeg?: number | string; clocksDeg?: (number | string)[]; loftDeg?: number | string; faceOpenDeg?: number | string; lieDeg?: number | string; }[];
}

export interface Slot {
    name: string;
    toeMm: number;
    backMm: number;
    upMm: number;
    fromG?: number;
    toG?: number;
    mayBeEmpty?: boolean;
}

export interface SpeedFigure {
    mean: number;
    sd: number | null;
    interval: Interval | null;
    n: number;
}

export interface SpeedGain {
    gain: number;
    interval: Interval;
    chance: number;
}

/** One setup over the range of this player’s speeds */
export interface SpeedLadder {
    age: JudgementAge;
    tag: string;
    n: number;
    clubSeen: boolean;
    by: 'intent' | 'speed';
    mixed: { why: 'intent' | 'speed'; groups: { name: string; n: number; speedMps: number; }[]; } | null;
    isRange: boolean;
    rangeMps: [number, number];
    rungs: SpeedRung[];
    per: Record<string, { slope: number; interval: Interval; n: number; } | null>;
    wanted: { speedMps: number; loftDeg: number; launchDeg: number; spinRpm: number; carryM: number; apexM: number; }[];
    shots: { speedMps: number; intent: string; carryM: number | null; launchDeg: number | null; spinRpm: number | null; apexM: number | null; }[];
    both: { own: string; speedsMps: { cruising: number; fullOut: number; }; names: string[]; best: { cruising: SpeedServed; fullOut: SpeedServed; both: SpeedServed; }; pick: string; } | null;
}

export interface SpeedRung {
    name: string;
    n: number;
    speedMps: number;
    figures: Record<string, SpeedFigure | null>;
    attackDeg: number;
    deliveredLoftDeg: number | null;
    deliveredFrom: string | null;
    wantedLoftDeg: number;
    wantedBandDeg: [number, number];
    wantedLaunchDeg: number;
    wantedSpinRpm: number;
    loftChangeDeg: number | null;
}

export interface SpeedServed {
    tag: string;
    head: string;
    sleeve: string;
    weights: string;
    carryM: { cruising: number; fullOut: number; };
    cruising: SpeedGain;
    fullOut: SpeedGain;
    both: SpeedGain;
}

export interface StrikeCheck {
    tag: string;
    verdict: 'nearer' | 'not' | 'open' | 'few';
    n: number;
    nearerMm: number;
    interval: Interval;
    chance: number;
    moreShots: number | null;
}

/** Strikes off the line of the CG, and what brings the two together */
export interface StrikeMoves {
    age: JudgementAge;
    tag: string;
    n: number;
    offMm: { toeMm: number; highMm: number; };
    errorMm: { toeMm: number; highMm: number; };
    isOff: boolean;
    isNear: boolean;
    cgAssumed: boolean;
    worth: { ballSpeedMps: Told; carryM: Told; sideM: Told; };
    ways: StrikeWay[];
    checks: StrikeCheck[];
}

export interface StrikeWay {
    kind: 'weights' | 'grams' | 'look' | 'tee' | 'length' | 'cue';
    cost: 'free' | 'wrench' | 'workshop';
    what: string;
    movesMm: { toeMm: Told; highMm: Told; };
    leftMm: number;
    chance: number;
    ballSpeedMps: Told;
    carryM: Told;
    sideM: Told;
    grams?: number;
    points?: number;
    faceOpenDeg?: number;
    teeMm?: number;
    toTeeMm?: number | null;
    shorterMm?: number;
    toLengthMm?: number | null;
    standMm?: number;
    nearer?: boolean;
}

export interface StudioRules {
    lockMinutes: number;
    wantsSecondFactor: boolean;
    retentionMonths: number | null;
    consentText: string;
    remembers: boolean;
    memory: { version: number; fittings: number; heads: number; elsewhere: number; at: string; } | null;
    timeZone: string;
    timeZones: string[];
    language: string;
    openingHours: [string, string][][];
    appointmentKinds: AppointmentKind[];
}

export interface Summary {
    n: number;
    mean: number;
    sd: number | null;
    median: number;
    meanInterval: Interval | null;
}

export interface Supply {
    price?: number | null;
    currency?: string | null;
    leadDays?: number | null;
    lofts?: number[];
    hands?: Hand[];
    inStock?: boolean;
}

/** One of several swings that were hit */
export interface SwingGroup {
    name: string;
    n: number;
    speedMps: number;
}

export interface TieBreak {
    order: string[];
    choice: string | null;
    by: string | null;
    remaining: string[];
    steps: { criterion: string; known: boolean; values: Record<string, number | null>; remaining: string[]; }[];
    wantedApexM: number;
}

export interface Today {
    today: string;
    next: Appointment[];
    decisions: { fittingId: number; player: string; what: string; }[];
    orders: { orderId: number; player: string; what: string; isLate: boolean; }[];
    rounds: { fittingId: number; player: string; what: string; }[];
}

export interface Told {
    value: number;
    interval: Interval;
}

/** A set of shots hit with one setup; its wind and air where it was hit outdoors. */
export interface Trial {
    id: number;
    number: number;
    kind: string;
    setupId: number;
    tag: string;
    shots: number;
    beganAt: string;
    ended: boolean;
    note: string;
    blind: boolean;
    openAir: OpenAir | null;
}

export interface TrialName {
    id: number;
    number: number;
    kind: string;
    tag: string;
    visit: number | null;
}

export interface Trouble {
    kind: string;
    atM: number | null;
}

/** Who a made-up player was, and what each setup that was hit truly does for them. */
export interface Truth {
    player: string;
    clubSpeedMps: number;
    attackDeg: number;
    pathDeg: number;
    faceDeg: number;
    squares: number;
    own: string | null;
    pick: string;
    setups: { tag: string; carryM: number; share: number; }[];
}

/** What turning a setup would change against what is in the hand; setupId: of the setup that is made so already. */
export interface Turned {
    setupId: number | null;
    steps: string[];
    wrenchChanges: number;
    loftDeg: number;
    faceOpenDeg: number;
    expected: { carryM: Change; sideM: Change; apexM: Change; share: Change; } | null;
}

/** A number as a person typed it: bare, or with its unit. */
export type Typed = number | string | null | { value?: number | string | null; unit?: string | null; };

/** A brief, or some of its fields, as typed. */
export interface TypedBrief {
    corridor?: TypedCorridor;
    weights?: Record<string, Typed>;
    shape?: string | null;
    miss?: string | null;
    carryM?: Typed;
    clubSpeedMps?: Typed;
    attackDeg?: Typed;
    handicap?: Typed;
    wants?: string[];
    never?: string[];
    asked?: string[];
    wish?: string | null;
    turf?: string | null;
    windMps?: Typed;
    windFromDeg?: Typed;
    altitudeM?: Typed;
    temperatureC?: Typed;
    holeLengthM?: Typed;
    sixIronApexM?: Typed;
    ball?: string | null;
    habit?: string | null;
    feel?: string | null;
    swings?: Typed;
    minutes?: Typed;
    money?: Typed;
    labour?: Typed;
    currency?: string | null;
    purchase?: string | null;
    startSide?: string | null;
    school?: string | null;
    scoring?: string | null;
    aimFree?: boolean;
    consent?: boolean;
    minor?: boolean;
    guardian?: string | null;
}

export interface TypedCorridor {
    widthM?: Typed;
    left?: { kind?: string; atM?: Typed; };
    right?: { kind?: string; atM?: Typed; };
}

/** What is left out is as the brief says it; with a wind it must be said where it comes from. */
export interface TypedOpenAir {
    windMps?: number | null;
    windFromDeg?: number | null;
    temperatureC?: number | null;
    altitudeM?: number | null;
}

export interface TypedSlot {
    name: string;
    toeMm: number | string;
    backMm: number | string;
    upMm: number | string;
    fromG?: number | string | null;
    toG?: number | string | null;
    mayBeEmpty?: boolean;
}

/** How it can be had. A price needs its currency. */
export interface TypedSupply {
    price?: number | string | null;
    currency?: string | null;
    leadDays?: number | string | null;
    lofts?: (number | string)[];
    hands?: Hand[];
    inStock?: boolean;
}

export interface UnitChoice {
    speed: string;
    distance: string;
    height: string;
    length: string;
}

export type Verdict = 'better' | 'worse' | 'same' | 'open';

export interface Weighed {
    illegal: string | null;
    massG: number;
    cg: { toeMm: number; backMm: number; upMm: number; };
    inertiaGcm2: number[][];
    swingWeight: string;
    swingWeightPoints: number;
    fromStandard: { massG: number; toeMm: number; backMm: number; upMm: number; };
    delivered: { loftDeg: [number, number, number]; openDeg: [number, number, number]; };
}

export interface WhyBridge {
    measure: string;
    difference: number;
    lines: BridgeLine[];
    clubSeen: boolean;
}

export interface WindowFor {
    dynamicLoftDeg: number;
    loftBandDeg: [number, number];
    launchDeg: number;
    launchBandDeg: [number, number];
    spinRpm: number;
    spinBandRpm: [number, number];
    carryM: number;
    totalM: number;
    apexM: number;
}

/** What a setup does for one want, beside the own club */
export interface WishAnswer {
    name: string;
    figure: string;
    before: number;
    after: number;
    standing: 'gained' | 'lost' | 'level';
}

/** The player was another when the setup was hit than when the benchmark was: no word is said of it */
export interface Withheld {
    speedMps: number;
    why: 'farOff' | 'trend' | 'otherSwing' | 'warmingUp' | 'drift';
    what: string;
    byDeg: number;
}

export interface Worth {
    tag: string;
    head: string;
    adjusted: { tag: string | null; sleeve: string; weights: string; isOwn: boolean; tested: boolean; gainOverOwn: number; };
    adjustable: boolean;
    gain: number;
    interval: Interval;
    chance: number;
    perRound: number | null;
    perRoundInterval: Interval | null;
    price: number | null;
    currency: string;
    money: number | null;
    verdict: WorthVerdict;
    cost?: { what: string; label: string; price: number | null; currency: string; }[];
    isPriceKnown?: boolean;
    isPriceMixed?: boolean;
    moneyCurrency?: string;
}

export type WorthVerdict = 'more' | 'less' | 'open';

export type Quantity = number | { value: number | string; unit?: 'm/s' | 'mph' | 'km/h' | 'ft/s' | 'kn' | 'm' | 'yd' | 'ft' | 'in' | 'cm' | 'mm' | 'deg' | 'rad' | 'rpm' | 's' | 'ratio' | '%'; };

/** At most 64 kB. Keys that stand not here are kept beside the shot, up to 4 kB. */
export interface PostedShot {
    id: string;
    session?: string;
    sequence?: number;
    at?: string;
    sentAt?: string;
    source?: 'monitor' | 'simulated';
    values: Record<string, Quantity>;
}

export interface PostedAnswer {
    id: unknown;
    status: 'stored' | 'held' | 'refused';
    shot: unknown;
    reason: unknown;
    doNotRepeat?: boolean;
}

export interface PostedAnswers {
    results: PostedAnswer[];
}
