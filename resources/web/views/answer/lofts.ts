import type {
    Changed,
    Fitting,
    Hand,
    LoftAndWind,
    SpeedLadder,
    SpeedRung,
    SpeedServed,
    StrikeCheck,
    StrikeMoves,
    StrikeWay,
    UnitChoice,
} from '../../api/generated/types';
import { DRIVES } from '../../format/judged';
import { list } from '../../format/sentences';
import { lengthText } from '../../format/setups';
import { factor, figure, plain, signed } from '../../format/units';
import { say } from './words';

const within = (value: number, { low, high }: { low: number; high: number }, k: number, digits: number, unit = ''): string =>
    say('answer.within', {
        value: [signed(value * k, digits), unit].filter(Boolean).join(' '),
        low: signed(low * k, digits),
        high: signed(high * k, digits),
    });

/** What is to be hit where only one speed was. */
export const oneSpeedText = (ladder: SpeedLadder): string => (ladder.isRange ? '' : say('answer.speed.one'));

/** "Smooth, 6 shots at 100 mph: delivers 13.4°; longest between 14.2 and 17.0°, so 0.8° more is wanted." */
export function rungText(r: SpeedRung, units: UnitChoice): string {
    const change = r.loftChangeDeg ?? 0;
    return say('answer.speed.rung', {
        name: r.name.charAt(0).toUpperCase() + r.name.slice(1),
        n: r.n,
        speed: `${figure('clubSpeedMps', r.speedMps, units, 0)} ${units.speed}`,
        low: plain(r.wantedBandDeg[0], 1),
        high: plain(r.wantedBandDeg[1], 1),
        told: r.deliveredLoftDeg === null || r.loftChangeDeg === null ? 'no' : 'yes',
        loft: plain(r.deliveredLoftDeg ?? 0, 1),
        from: r.deliveredFrom === 'measured' ? 'club' : 'ball',
        change: Math.abs(change) < 0.05 ? 'none' : change > 0 ? 'more' : 'less',
        by: plain(Math.abs(change), 1),
    });
}

const servedName = (s: SpeedServed, fitting: Fitting): string => {
    const what = [s.head, s.sleeve, s.weights].filter(Boolean).join(', ');
    return fitting.setups.some((one) => one.tag === s.tag) ? `${s.tag} (${what})` : what;
};

/** Which setup serves the cruising and the full-out swing, and what each end alone would take. */
export function bothText(ladder: SpeedLadder, fitting: Fitting): string[] {
    const both = ladder.both;
    if (!both) return [];
    const name = (s: SpeedServed) => (s.tag === both.own ? 'own' : servedName(s, fitting));
    const [slow, fast] = both.names as [string, string];
    const best = both.best.both;
    return [
        say('answer.speed.both', {
            own: both.pick === both.own ? 'yes' : 'no',
            tag: both.own,
            slow,
            fast,
            best: best.tag === both.own ? 'none' : servedName(best, fitting),
            name: servedName(best, fitting),
            chance: plain(best.both.chance * 100, 0),
        }),
        ...(['cruising', 'fullOut'] as const).map((end, i) => {
            const one = both.best[end];
            return say('answer.speed.end', {
                end: [slow, fast][i]!,
                name: name(one),
                tag: both.own,
                chance: plain(one[end].chance * 100, 0),
            });
        }),
    ];
}

/** What a unit of speed more brought in carry. */
export function perText(ladder: SpeedLadder, units: UnitChoice): string {
    const per = ladder.per.carryM;
    if (!per) return '';
    const k = factor(units.distance) / factor(units.speed);
    return say('answer.speed.per', {
        speed: units.speed,
        carry: within(per.slope, per.interval, k, 1),
        distance: units.distance,
        n: per.n,
    });
}

/** Where the strikes sit beside the line of the CG, and what being in line would bring. */
export function offText(moves: StrikeMoves, units: UnitChoice): string {
    const { toeMm, highMm } = moves.offMm;
    const far = (mm: number, plus: string, minus: string) =>
        Math.abs(mm) < 1 ? [] : [say('answer.strike.far', { mm: plain(Math.abs(mm), 0), where: mm > 0 ? plus : minus })];
    const { ballSpeedMps, carryM } = moves.worth;
    return say('answer.strike.off', {
        tag: moves.tag,
        n: moves.n,
        where: list([...far(toeMm, 'toe', 'heel'), ...far(highMm, 'above', 'below')]) || 'none',
        so: moves.isNear ? 'near' : moves.isOff ? 'off' : 'chance',
        faster: `${plain(Math.max(0, ballSpeedMps.value * factor(units.speed)), 1)} ${units.speed}`,
        carry: within(carryM.value, carryM.interval, factor(units.distance), 0, units.distance),
        assumed: moves.cgAssumed ? 'yes' : 'no',
    });
}

export const costText = (way: StrikeWay): string => say('answer.strike.cost', { cost: way.cost });

/** What is to be done, in words for the one who does it. */
export function wayText(w: StrikeWay, units: UnitChoice): string {
    const by = { grams: w.grams, look: w.faceOpenDeg, tee: w.teeMm, length: w.shorterMm }[w.kind as string] ?? (w.nearer ? 1 : -1);
    return say('answer.strike.way', {
        kind: w.kind,
        what: w.what ?? '',
        more: by > 0 ? 'yes' : 'no',
        by: plain(Math.abs(by), w.kind === 'look' ? 1 : 0),
        points: signed(w.points ?? 0, 1),
        length: w.shorterMm == null ? '' : lengthText(Math.abs(w.shorterMm), units),
        to:
            (w.kind === 'tee' ? w.toTeeMm != null && `${plain(w.toTeeMm, 0)} mm` : w.toLengthMm && lengthText(w.toLengthMm, units)) ||
            'none',
        stand: plain(w.standMm ?? 0, 0),
    });
}

export const movesText = (w: StrikeWay, of: 'toeMm' | 'highMm'): string => within(w.movesMm[of].value, w.movesMm[of].interval, 1, 0);

export const gainText = (w: StrikeWay, of: 'ballSpeedMps' | 'carryM', units: UnitChoice): string =>
    within(w[of].value, w[of].interval, factor(of === 'carryM' ? units.distance : units.speed), of === 'carryM' ? 0 : 1);

/** The four-shot check: did it work? */
export const checkText = (c: StrikeCheck, from: string): string =>
    say('answer.strike.check', {
        tag: c.tag,
        from,
        n: c.n,
        verdict: c.verdict,
        more: c.moreShots ?? 0,
        nearer: plain(c.nearerMm, 0),
        low: signed(c.interval.low, 0),
        high: signed(c.interval.high, 0),
    });

/** The answer to “more loft is straighter?” for this player. */
export function loftAnswer(told: LoftAndWind['loft'], units: UnitChoice): string {
    const k = factor(units.distance);
    const more = told.lofts.at(-1)!;
    return say('answer.loft', {
        answer: told.answer,
        side: `${signed(more.sideSpreadM.change * k, 1)} ${units.distance}`,
        drives: signed(more.share.change * DRIVES, 1),
        carry: `${signed(more.carryM.change * k, 0)} ${units.distance}`,
    });
}

/** What physics has to do with it. */
export function loftPhysics(told: LoftAndWind['loft'], hand: Hand): string {
    const [less, more] = [told.lofts[0]!, told.lofts.at(-1)!];
    const tilt = (deg: number) =>
        say('answer.loft.tilt', { deg: plain(Math.abs(deg), 1), to: deg > 0 === (hand === 'right') ? 'fade' : 'draw' });
    return say('answer.loft.physics', { less: tilt(less.axisDeg), more: tilt(more.axisDeg), share: signed(told.angleShare * 100, 0) });
}

export const windName = (wind: string): string => say('answer.loft.wind', { wind });

export const windAnswer = (answer: 'down' | 'keep' | 'open'): string => say('answer.loft.windSo', { answer });

export const changed = (c: Changed, k: number, digits = 0): string => within(c.change, c.interval, k, digits);
