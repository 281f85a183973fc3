import type { Advice, Comparison, Fitting, Interval, JudgedSetup, Judgement, UnitChoice } from '../../api/generated/types';
import { DRIVES, drivesOf, pct } from '../../format/judged';
import { factor, figure, MEASURES, plain, signed, unitOf } from '../../format/units';
import { amountOf, bandText, FLIGHT, seenText } from '../../format/wishes';
import { say } from './words';

/** One figure of a setup; weak: not told apart, harm: what must not come, computed: not measured. */
export interface Cell {
    big: string;
    small?: string;
    tone?: 'weak' | 'harm' | 'computed';
}
export interface Row {
    name: string;
    unit: string;
    cells: Cell[];
}
const NONE: Cell = { big: '–', tone: 'weak' };
const DIGITS: Record<string, number> = { spin: 0, ratio: 2, strike: 0 };
/** Decimals of a difference, one more than those of a figure in the field. */
export const digits = (measure: string): number => DIGITS[MEASURES[measure]?.kind ?? ''] ?? 1;

/** What there is to say of a figure, in one line. */
const line = (...parts: string[]): string => parts.filter(Boolean).join('; ');

const range = (i: Interval, k: number, places: number): string =>
    say('answer.figures.range', { low: signed(i.low * k, places), high: signed(i.high * k, places) });

function loftCell(fitting: Fitting, tag: string): Cell {
    const setup = fitting.setups.find((s) => s.tag === tag);
    if (!setup) return NONE;
    const small = setup.playing.loftFromPrint
        ? say('answer.figures.print')
        : Math.abs(setup.loftOffDeg ?? 0) > 0.05
          ? say('answer.figures.stamped', {
                loft: `${plain(setup.statedLoftDeg, 1)}°`,
                plays: `${plain(setup.playing.plays.loftDeg + (setup.loftOffDeg ?? 0), 1)}°`,
            })
          : '';
    return { big: `${plain(setup.playing.plays.loftDeg, 1)}°`, small };
}

/** What the models expect of each setup: the same figures as on the answer, the sheet and the report. */
export function expectedRows(judge: Advice, fitting: Fitting, tags: string[]): Row[] {
    const { units } = fitting.player;
    const d = factor(units.distance);
    const isHeld = (s: Judgement) => s.tag === judge.benchmark;
    const row = (name: string, unit: string, of: (s: Judgement) => Cell | null): Row => ({
        name,
        unit,
        cells: tags.map((tag) => {
            const s = judge.setups.find((one) => one.tag === tag);
            return (s && of(s)) ?? NONE;
        }),
    });
    const against = { benchmark: judge.benchmark };
    const rows: Row[] = [
        { name: say('answer.figures.plays'), unit: '', cells: tags.map((tag) => loftCell(fitting, tag)) },
        row(say('answer.row.carryM'), units.distance, (s) =>
            isHeld(s)
                ? { big: plain((s.expectedCarryM ?? s.carry?.mean ?? 0) * d, 0) }
                : s.carryGainInterval
                  ? { big: signed(s.carryGainM! * d, 0), small: range(s.carryGainInterval, d, 0) }
                  : null,
        ),
        row(say('answer.row.share'), say('answer.of', { n: DRIVES }), (s) =>
            s.sideKnown
                ? {
                      big: String(drivesOf(s.share)),
                      small: line(
                          say('answer.figures.range', { low: drivesOf(s.shareInterval.low), high: drivesOf(s.shareInterval.high) }),
                          seenText(s) && say('answer.seenOnce', { seen: say('answer.counted', s.seen!.fairways!) }),
                      ),
                  }
                : { big: say('answer.figures.noSide'), tone: 'weak' },
        ),
        ...(judge.setups[0]?.never ?? []).map(({ kind }, i) =>
            row(say(`answer.row.${kind}`), say('answer.of', { n: DRIVES }), (s) => {
                const n = s.never?.[i];
                if (!n) return null;
                return n.isBarred && !isHeld(s)
                    ? { big: String(drivesOf(n.chance)), small: say('answer.figures.barred'), tone: 'harm' }
                    : { big: String(drivesOf(n.chance)) };
            }),
        ),
        row(say('answer.figures.spread'), units.distance, (s) => (s.sideKnown ? { big: `± ${plain(s.spreadM * d, 0)}` } : null)),
        ...FLIGHT.map((field) => {
            const band = bandText(field, judge.wanted, units);
            const name = say(`answer.flight.${field}`) + (band ? `, ${say('answer.wanted', { band })}` : '');
            return row(name, unitOf(field, units), (s) => {
                const of = s.flight?.[field];
                if (!of) return null;
                return {
                    big: amountOf(field, of.value, units),
                    small: of.standing === 'wanted' ? '' : say(`answer.figures.${of.standing}`),
                };
            });
        }),
        row(say('answer.figures.costs'), units.distance, (s) =>
            s.trade
                ? {
                      big: plain(s.trade.costM * d, 0),
                      small: line(
                          s.trade.costM * d >= 1
                              ? say('answer.figures.loft', {
                                    by: `${plain(Math.abs(s.trade.loftChangeDeg), 1)}°`,
                                    way: s.trade.loftChangeDeg > 0 ? 'more' : 'less',
                                })
                              : '',
                          s.trade.attackAssumed ? say('answer.figures.level') : '',
                      ),
                  }
                : null,
        ),
        row(say('answer.figures.chance', against), '', (s) => (isHeld(s) ? { big: '' } : { big: pct(s.chanceBetter) })),
    ];
    if (judge.unit !== 'strokes') {
        const [k, unit] = judge.unit === 'm' ? [d, units.distance] : [1, say('answer.figures.points')];
        rows.push(
            row(say('answer.figures.scored', { scoring: judge.scoring }), unit, (s) =>
                isHeld(s) ? { big: '' } : { big: signed(s.gain * k, 1), small: range(s.gainInterval, k, 1) },
            ),
        );
    }
    rows.push(
        row(say('answer.figures.strokes', against), '', (s) =>
            isHeld(s)
                ? { big: '' }
                : {
                      big: signed(s.strokes, 2),
                      small: `${range(s.strokesInterval, 1, 2)}; ${say('answer.figures.sameAim', { strokes: signed(s.aimFixedStrokes, 2) })}`,
                  },
        ),
    );
    return rows;
}

/** What the shots alone say: mean and spread of what is held against, the difference from it for the others. */
export function shotRows(comparison: Comparison, units: UnitChoice, tags: string[]): Row[] {
    const seen: Row = {
        name: say('answer.row.share'),
        unit: '',
        cells: tags.map((tag) => {
            const s = comparison.sets.find((one) => one.tag === tag)?.inCorridor;
            return s?.of ? { big: say('answer.counted', s) } : NONE;
        }),
    };
    const rows = comparison.rows.filter((r) => tags.some((t) => r.cells[t]?.summary));
    return [
        seen,
        ...rows.map(({ measure, cells }): Row => {
            const k = factor(unitOf(measure, units));
            const places = digits(measure);
            return {
                name: MEASURES[measure]!.label,
                unit: unitOf(measure, units),
                cells: tags.map((tag): Cell => {
                    const cell = cells[tag];
                    if (!cell?.summary) return NONE;
                    const { mean, sd, n } = cell.summary;
                    if (cell.difference) {
                        const { value, interval, clear } = cell.difference;
                        return {
                            big: signed(value * k, places),
                            small: interval ? range(interval, k, places) : say('answer.figures.oneShot'),
                            tone: clear ? undefined : 'weak',
                        };
                    }
                    return {
                        big: figure(measure, mean, units, places),
                        small: line(
                            sd === null ? say('answer.figures.oneShot') : `± ${plain(sd * k, places)}`,
                            cell.computed ? say('answer.figures.computed') : '',
                        ),
                        tone: cell.computed === n ? 'computed' : undefined,
                    };
                }),
            };
        }),
    ];
}

const ALIKE = ['carryM', 'totalM', 'spinRpm', 'launchDeg'];

/** As if each had been hit with the same swing and strike. */
export function alikeRows(judged: JudgedSetup[], units: UnitChoice, tags: string[]): Row[] {
    return ALIKE.map((measure) => {
        const k = factor(unitOf(measure, units));
        const places = digits(measure);
        return {
            name: MEASURES[measure]!.label,
            unit: unitOf(measure, units),
            cells: tags.map((tag): Cell => {
                const row = judged.find((s) => s.tag === tag)?.alike?.rows.find((r) => r.measure === measure);
                if (!row) return NONE;
                const shots = say('answer.shots', { seen: figure(measure, row.measured, units, places) });
                const gain = row.against ? `${signed(row.against.value * k, places)}, ${range(row.against.interval, k, places)}; ` : '';
                return { big: figure(measure, row.alike, units, places), small: gain + shots };
            }),
        };
    });
}
