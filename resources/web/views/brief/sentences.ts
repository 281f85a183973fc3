import type { Brief, Outlook, UnitChoice } from '../../api/generated/types';
import { list } from '../../format/sentences';
import { factor, plain, signed } from '../../format/units';
import { readNumber } from '../../lib/numbers';
import type { Values } from './fields';
import { say } from './words';

const dist = (m: number, units: UnitChoice) => `${plain(Math.abs(m) * factor(units.distance), 0)} ${units.distance}`;
const high = (m: number, units: UnitChoice) => `${plain(Math.abs(m) * factor(units.height), 0)} ${units.height}`;
const isTold = (m: number, units: UnitChoice) => Math.abs(m) * factor(units.distance) >= 1;

/** What of the ridge costs no more than 1 % of the best: from, to. */
function within(o: Outlook, of: 'launchDeg' | 'spinRpm', step: number): string {
    const near = o.ridge.filter((p) => p.loftDeg >= o.bandDeg[0] && p.loftDeg <= o.bandDeg[1]).map((p) => p[of]);
    const all = near.length ? near : [o.ridge[o.target]![of]];
    const [low, up] = [Math.min(...all), Math.max(...all)].map((v) => plain(Math.round(v / step) * step, 0)) as [string, string];
    return low === up ? low : `${low} to ${up}`;
}

/** How high the best ball of the window flies beside the six-iron. */
function besideSixIron(o: Outlook, sixIronApexM: number, units: UnitChoice): string {
    const off = o.ridge[o.target]!.apexM - sixIronApexM;
    if (Math.abs(off) * factor(units.height) < 1) return 'same';
    return say('brief.flies', { by: high(off, units), way: off > 0 ? 'up' : 'down' });
}

/** The window of the school, in one sentence. */
export const targetText = (o: Outlook, school: string, brief: Pick<Brief, 'carryM' | 'sixIronApexM'>, units: UnitChoice): string =>
    say('brief.target', {
        carry: brief.carryM === null ? 'none' : dist(brief.carryM, units),
        launch: within(o, 'launchDeg', 1),
        spin: within(o, 'spinRpm', 50),
        school: school.replaceAll(' ', '_'),
        apex: high(o.wantedApexM, units),
        six: brief.sixIronApexM === null ? 'none' : besideSixIron(o, brief.sixIronApexM, units),
    });

/** How far its best ball goes, and what the wind does to it. */
export function carriesText(o: Outlook, units: UnitChoice): string {
    const t = o.ridge[o.target]!;
    return say('brief.carries', {
        carry: dist(t.carryM, units),
        still: isTold(t.carryM - o.carryInStillAirM, units) ? dist(o.carryInStillAirM, units) : 'none',
        total: dist(t.totalM, units),
        side: isTold(o.windSideM, units) ? `${dist(o.windSideM, units)} ${o.windSideM > 0 ? 'right' : 'left'}` : 'none',
    });
}

/** What ten yards are worth against a fairway. */
export const priceText = (o: Outlook, units: UnitChoice): string =>
    say('brief.price', {
        unit: units.distance,
        fairways: plain((0.14 * o.price.sharePerTenMetres) / factor(units.distance), 1),
    });

/** The same in strokes, and what a miss costs. */
export function strokesText(o: Outlook, brief: Pick<Brief, 'holeLengthM' | 'handicap' | 'corridor'>, units: UnitChoice): string {
    const kind = (side: 'left' | 'right') => (brief.corridor[side].kind === 'rough' ? 'none' : brief.corridor[side].kind);
    return say('brief.strokes', {
        ten: plain(o.price.tenMetres / factor(units.distance), 2),
        unit: units.distance,
        hole: dist(brief.holeLengthM, units),
        handicap: brief.handicap ?? 'none',
        costs: say('brief.cost', {
            rough: plain(o.price.rough, 2),
            left: kind('left'),
            leftCost: plain(o.price.left, 2),
            right: kind('right'),
            rightCost: plain(o.price.right, 2),
        }),
    });
}

/** Which head loft the window means, on this rack. */
export const loftText = ({ headLoft: m }: Outlook): string =>
    m
        ? say('brief.loft', {
              loft: plain(m.statedLoftDeg, 1),
              position: m.position || 'none',
              head: m.head,
              order: m.toOrder ? 'yes' : 'no',
              from: m.from,
          })
        : '';

/** Whose speed and attack the picture is for, and how they are known. */
export const speedText = (o: Outlook, units: UnitChoice): string =>
    say('brief.speed', { from: o.speedFrom, speed: `${plain(o.clubSpeedMps * factor(units.speed), 0)} ${units.speed}` });
export const attackText = (o: Outlook): string => say('brief.attack', { from: o.attackFrom, deg: signed(o.attackDeg, 1) });

/** What the talk has not touched yet; nothing of it holds the brief back. */
export function missingText(values: Values, speedFrom: string): string {
    const has = (field: string) => readNumber(String(values[field] ?? '')) !== null;
    const missing = [
        !has('carryM') && !has('clubSpeedMps') && 'carry',
        (values.wants as string[]).length === 0 && values.wish === '' && 'wants',
        values.consent !== true && 'consent',
        values.minor === true && values.guardian === '' && 'guardian',
    ].filter((one) => one !== false);
    return say('brief.missing', {
        what: list(missing.map((one) => say(`brief.missing.${one}`))) || 'none',
        speed: has('clubSpeedMps') || speedFrom === 'measured' ? 'yes' : 'no',
    });
}

/** A value of the change history, short. */
export function shownValue(value: unknown): string {
    if (value === null || value === '') return 'nothing';
    if (typeof value === 'boolean') return value ? 'yes' : 'no';
    if (typeof value === 'number') return plain(value, Number.isInteger(value) ? 0 : 1);
    if (Array.isArray(value)) return value.length ? value.join(', ') : 'nothing';
    if (typeof value === 'object') {
        const c = value as { widthM?: number; left?: { kind: string }; right?: { kind: string } };
        return c.widthM !== undefined
            ? `${plain(c.widthM, 1)} m, ${c.left?.kind} left, ${c.right?.kind} right`
            : Object.entries(value as object)
                  .map(([k, v]) => `${k} ${v}`)
                  .join(', ') || 'nothing';
    }
    return String(value);
}
