import type { ClubBuild, Fitting, FoundSetup, Judge, UnitChoice } from '../api/generated/types';
import { lengthText, nameOf } from './setups';
import { plain } from './units';

/** What a setup is built of beside the usual: "Reedline 60 S, 44.50 in". */
export const withText = (build: Partial<ClubBuild>, units: UnitChoice): string =>
    [
        build.shaft,
        build.lengthMm == null ? '' : lengthText(build.lengthMm, units),
        build.ball ? `ball ${build.ball}` : '',
        build.teeMm == null ? '' : `tee ${plain(build.teeMm, 0)} mm`,
        build.cue ? `cue: ${build.cue}` : '',
    ]
        .filter(Boolean)
        .join(', ');

/** "Tern 460 at N up, 12 g back" */
export function foundName(s: Pick<FoundSetup, 'head' | 'sleeve' | 'weights' | 'with'>, units: UnitChoice): string {
    const built = withText(s.with, units);
    const name = [s.head, s.sleeve && s.sleeve !== 'N' ? `at ${s.sleeve}` : '', s.weights]
        .filter(Boolean)
        .join(', ')
        .replace(', at', ' at');
    return built ? `${name}, with ${built}` : name;
}

/** What the next step is about, by its name among the setups, or as the rack has it. */
export function candidateName(judge: Pick<Judge, 'next'>, fitting: Fitting): string {
    const { next } = judge;
    if (!next) return 'the next setup';
    const there = fitting.setups.find((s) => s.tag === next.setupTag);
    return there ? `${there.tag}, ${nameOf(there, fitting)}` : foundName(next, fitting.player.units);
}
