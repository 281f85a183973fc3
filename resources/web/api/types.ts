/** What the server answers. Lengths m, speeds m/s, angles degrees; direction and side + = right. */
export type Hand = 'right' | 'left';
export interface UnitChoice {
    speed: string;
    distance: string;
    height: string;
    length: string;
}
export interface Player {
    id: number;
    name: string;
    hand: Hand;
    units: UnitChoice;
}
export interface Presented {
    loftDeg: number;
    faceOpenDeg: number;
    lieDeg: number;
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
    lengthMm: number | null;
    ball: string;
    note: string;
    playing: { squared: Presented; soled: Presented; lieAssumed: boolean; loftFromPrint: boolean };
    shots: number;
    counted: number;
}
export type StepName = 'bench' | 'shots' | 'compare' | 'decide' | 'sheet';
export interface Fitting {
    id: number;
    version: number;
    player: Player;
    corridorWidthM: number;
    troubleSide: 'none' | 'left' | 'right' | 'both';
    troubleKind: string;
    troubleAtM: number | null;
    holeLengthM: number;
    temperatureC: number;
    altitudeM: number;
    turf: string;
    wants: string;
    benchmarkSetupId: number | null;
    createdAt: string;
    updatedAt: string;
    setups: Setup[];
    decision: Decision | null;
    missing: Record<StepName, string>;
}
export interface DayBookEntry {
    id: number;
    player: Player;
    wants: string;
    setups: { tag: string; counted: number }[];
    decided: string | null;
    missing: Record<StepName, string>;
    updatedAt: string;
}
export interface Interval {
    low: number;
    high: number;
}
export interface Summary {
    n: number;
    mean: number;
    sd: number | null;
    median: number;
    meanInterval: Interval | null;
}
export interface Shot {
    id: number;
    setupId: number;
    sequence: number;
    line: number | null;
    source: string;
    measured: Record<string, number>;
    computed: Record<string, number>;
    typed: Record<string, unknown>;
    flags: string[];
    hitAt: string | null;
    note: string | null;
    leftOut: { reason: string; note: string | null; at: string } | null;
}
export interface ComparisonCell {
    summary: Summary | null;
    computed: number;
    difference: { value: number; interval: Interval | null; clear: boolean } | null;
}
export interface Comparison {
    benchmark: string | null;
    rows: { measure: string; label: string; cells: Record<string, ComparisonCell> }[];
    sets: {
        tag: string;
        n: number;
        ellipse: { acrossM: number; alongM: number; halfLongM: number; halfShortM: number; turnDeg: number } | null;
        share: { share: number; interval: Interval; n: number };
    }[];
    field: { ballSpeedMps: number; launchDeg: number[]; spinRpm: number[]; carryM: number[] } | null;
}
export interface Judgement {
    tag: string;
    n: number;
    carry: Summary | null;
    total: Summary | null;
    share: number;
    shareInterval: Interval;
    sideKnown: number;
    spreadM: number;
    strokes: number;
    strokesInterval: Interval;
    heldStrokes: number;
    chanceBetter: number;
    aimDeg: number;
    expectedLoss: number;
    trade: { costM: number; loftChangeDeg: number; bestLaunchDeg: number; bestSpinRpm: number; within: [number, number]; attackAssumed: boolean } | null;
}
export interface Advice {
    benchmark: string;
    best: string;
    pick: string;
    carried: boolean;
    ties: string[];
    expectedLoss: number;
    notHit: string[];
    setups: Judgement[];
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
export interface PreviewRow {
    line: number;
    kind: string;
    values: Record<string, number>;
    typed: Record<string, string>;
    setupTag: string | null;
    issues: { field: string; refused: boolean; message: string }[];
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
    lines: { line: number; text: string }[];
    columns: { header: string; samples: string[] }[];
    counts: { shot: number; bad: number; summary: number; header: number; repeat: number; already: number };
    earlier: { shots: number; at: string } | null;
    shots: PreviewRow[];
    problems: PreviewRow[];
    problemCount: number;
    tags: { tag: string; shots: number; setupId: number | null }[] | null;
}
export interface SignedIn {
    name: string;
    studio: string;
    isDemo: boolean;
}
