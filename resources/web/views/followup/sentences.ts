import type { FollowUp, UnitChoice } from '../../api/generated/types';
import { chanceWords, DRIVES, outOf14 } from '../../format/judged';
import { faceWords, factor, plain, signed } from '../../format/units';

type Seen = NonNullable<FollowUp['seen']>;

const ofDrives = (share: number) => signed(share * DRIVES, 1);

/** What was promised, as it was told when it was decided. */
export function promiseText(promise: NonNullable<FollowUp['promise']>, units: UnitChoice): string {
    if (promise.keepsOwn) return 'The own club was kept: nothing new was promised.';
    const out: string[] = [];
    if (promise.shareNow !== null && promise.shareBefore !== null)
        out.push(`${outOf14(promise.shareNow)} fairways, ${outOf14(promise.shareBefore)} with the club before`);
    if (promise.carryGainM !== null) {
        const k = factor(units.distance);
        const range = promise.carryGain
            ? ` (likely ${signed(promise.carryGain.low * k, 0)} to ${signed(promise.carryGain.high * k, 0)})`
            : '';
        out.push(`${signed(promise.carryGainM * k, 0)} ${units.distance} of carry${range}`);
    }
    if (promise.chanceBetter !== null) out.push(`better with a chance of ${chanceWords(promise.chanceBetter)}`);
    return out.length
        ? `Promised: ${out.join('; ')}.${promise.isOverruled ? ' The shots spoke for another setup; this one was chosen.' : ''}`
        : 'Nothing was promised in figures: side was not measured.';
}

/** What came, and against what it is held. */
export function cameText(seen: Seen): string {
    if (seen.now.rounds === 0) return 'No round with the new club was told of yet.';
    const share = seen.share ? ` (of 14 likely ${plain(seen.share.low * DRIVES, 0)} to ${plain(seen.share.high * DRIVES, 0)})` : '';
    return `${seen.now.rounds} ${seen.now.rounds === 1 ? 'round' : 'rounds'}, ${seen.now.hit} of ${seen.now.drives} fairways${share}; missed ${seen.now.left} left, ${seen.now.right} right, ${seen.now.lost} lost.`;
}

export function verdictText(seen: Seen): string {
    const gain = seen.gain
        ? `${ofDrives(seen.difference ?? 0)} of 14 (likely ${ofDrives(seen.gain.low)} to ${ofDrives(seen.gain.high)})`
        : '';
    const against =
        seen.against === 'same courses' && seen.before
            ? `course by course against ${seen.before.hit} of ${seen.before.drives} with the club before`
            : 'against what the club before would hit there, by what other players of the studio made of these courses';
    if (seen.fairways === 'kept') return `Kept: ${gain} fairways more, ${against}.`;
    if (seen.fairways === 'broken')
        return `Broken: ${gain} fairways, ${against}; ${seen.promisedGain === null ? 'more' : ofDrives(seen.promisedGain)} was promised.`;
    if (seen.gain && seen.promisedGain === null) return `Nothing was promised of fairways; what came: ${gain}, ${against}.`;
    if (seen.gain)
        return `Not yet to be told: ${gain} fairways, ${against}.${seen.moreDrives ? ` About ${seen.moreDrives} more drives would tell.` : ''}`;
    return 'Not yet to be told: courses differ more than clubs do. No course was played with both clubs. It takes rounds on the same course with the club before, or three other players of the studio there.';
}

export function adviceText(seen: Seen): string {
    switch (seen.advice) {
        case 'keep':
            return 'Keep it as it is.';
        case 'tweak':
            return `Tweak it: the misses lie ${seen.miss} and that is no accident.`;
        case 'come again':
            return 'Come again: begin a new fitting from here, with the club as it is as the baseline.';
        default:
            return 'Too few rounds yet: write some more down.';
    }
}

export function drivesText(seen: Seen, promise: FollowUp['promise'], units: UnitChoice): string {
    if (seen.drivesM === null) return '';
    const k = factor(units.distance);
    const carry = promise?.carryNowM ? `; the bay saw ${plain(promise.carryNowM * k, 0)} ${units.distance} of carry, run comes on top` : '';
    return `Measured on the course: ${plain(seen.drivesM * k, 0)} ${units.distance} in all over ${seen.measured} drives${carry}.`;
}

export function tweakText(tweak: FollowUp['tweaks'][number], units: UnitChoice): string {
    const k = factor(units.distance);
    const side = tweak.effect?.sideM;
    const does = side
        ? ` Expected: ${plain(Math.abs(side.value * k), 0)} ${units.distance} further ${side.value < 0 ? 'left' : 'right'} (likely ${signed(side.interval.low * k, 0)} to ${signed(side.interval.high * k, 0)}, + right).`
        : '';
    return tweak.kind === 'sleeve'
        ? `Turn the sleeve to ${tweak.to}: loft ${signed(tweak.loftDeg, 1)}°, face ${Number(Math.abs(tweak.faceOpenDeg).toFixed(1)) === 0 ? 'as it was' : `${faceWords(tweak.faceOpenDeg)} of now`}, as this player delivers it.${does}`
        : `Move the weights to ${tweak.to}.${does}`;
}
