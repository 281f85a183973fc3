<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Fitting;
use App\Models\Round;
use App\Models\Setup;
use MintCarry\Core\FollowUp\CourseEffect;
use MintCarry\Core\FollowUp\FollowUp;
use MintCarry\Core\FollowUp\PlayedRound;
use MintCarry\Core\FollowUp\Promise;

/** What was promised in a fitting, and what its rounds say of it. */
final class FollowUps
{
    public static function promise(Fitting $fitting): ?Promise
    {
        $decision = $fitting->decisions()->with('setup')->first();
        $own = Setup::query()->where('fitting_id', $fitting->id)->where('is_baseline', true)->value('tag');

        return $decision === null || $own === null ? null : Promise::of($decision->advice, $decision->setup->tag, (string) $own);
    }

    /** @param  Promise|null  $promise  as {@see self::promise()} tells it */
    public static function of(Fitting $fitting, ?Promise $promise): ?FollowUp
    {
        $rounds = Round::query()->where('fitting_id', $fitting->id)->orderBy('played_on')->orderBy('id')->get();

        return $promise === null ? null : FollowUp::of(
            $promise, array_values($rounds->map(static fn (Round $r): PlayedRound => $r->played())->all()),
            self::effects($fitting, $rounds->all()),
        );
    }

    /**
     * What other players of the studio made of the same courses with their fitted clubs.
     *
     * @param  array<int, Round>  $rounds
     * @return array<string, CourseEffect> by the key of the course
     */
    private static function effects(Fitting $fitting, array $rounds): array
    {
        $keys = array_values(array_unique(array_map(static fn (Round $r): string => $r->course_key, $rounds)));
        $others = Round::query()->where('studio_id', $fitting->studio_id)->whereIn('course_key', $keys)->where('club', 'new')
            ->where('player_id', '!=', $fitting->player_id)->whereHas('fitting')->with('fitting')->get();
        $out = $promised = [];
        foreach ($others->groupBy('course_key') as $key => $onCourse) {
            $seen = [];
            foreach ($onCourse->groupBy('player_id') as $theirs) {
                $first = $theirs->firstOrFail();
                $promised[$first->fitting_id] ??= self::promise($first->fitting)->shareNow ?? -1.0;
                if ($promised[$first->fitting_id] >= 0) {
                    $seen[] = [
                        'hit' => (int) $theirs->sum('hit'), 'holes' => (int) $theirs->sum('holes'),
                        'promised' => $promised[$first->fitting_id],
                    ];
                }
            }
            $effect = CourseEffect::of($seen);
            if ($effect !== null) {
                $out[(string) $key] = $effect;
            }
        }

        return $out;
    }
}
