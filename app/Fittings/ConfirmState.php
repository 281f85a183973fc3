<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Confirm;
use App\Models\Shot;
use App\Models\Trial;
use Illuminate\Support\Carbon;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\Wanted;
use MintCarry\Core\Judging\Confirm as Rule;
use MintCarry\Core\Report\Grounds;

/** The confirm run of a fitting as a screen shows it: its legs, what is to be hit now, and what it said. */
final class ConfirmState
{
    /** @return array<string, mixed>|null null while there was none */
    public static function of(FittingLoader $judged): ?array
    {
        $confirm = Confirm::last($judged->fitting);
        if ($confirm === null) {
            return null;
        }
        $tag = fn (int $setup): string => $judged->setups[$setup]->tag ?? '?';
        $sets = self::legs($confirm, $judged);
        $chance = 0.5;
        try {
            $chance = Grounds::of($judged->record()->withBenchmark($tag($confirm->benchmark_setup_id)))
                ->advice()->judgement($tag($confirm->setup_id))->chanceBetter;
        } catch (InvalidInput) {
            // One of the two has no counted shot left: nothing to be confirmed against.
        }
        $rule = Rule::of($sets, $confirm->shots_each, $chance, Wanted::of($judged->fitting->brief(), $judged->fitting->player->hand));

        return [
            'id' => $confirm->id,
            'benchmark' => $tag($confirm->benchmark_setup_id),
            'chosen' => $tag($confirm->setup_id),
            'shotsEach' => $confirm->shots_each,
            'rested' => $confirm->rested,
            'ended' => $confirm->ended_at?->toIso8601String(),
            'legs' => array_map(
                fn (ShotSet $set, int $leg): array => ['tag' => $tag($confirm->setupOfLeg($leg)), 'n' => $set->count()], $sets,
                array_keys($sets),
            ),
            'verdict' => $rule->verdict,
            'drift' => (object) $rule->drift,
            'z' => $rule->z,
            'chance' => $rule->chance,
        ];
    }

    /**
     * @return array{benchmark: string, chosen: string, shotsEach: int, leg: int, tag: string|null, n: int,
     *   next: string|null}|null the leg that is being hit (0: none yet) and the one after it: what a bay needs while a run goes
     *   on
     */
    public static function now(FittingLoader $judged): ?array
    {
        $confirm = Confirm::open($judged->fitting);
        if ($confirm === null) {
            return null;
        }
        $legs = $confirm->legs()->pluck('id')->all();
        $leg = count($legs);
        $id = $leg === 0 ? null : $confirm->setupOfLeg($leg - 1);
        $tag = fn (int $setup): string => $judged->setups[$setup]->tag ?? '?';

        return [
            'benchmark' => $tag($confirm->benchmark_setup_id), 'chosen' => $tag($confirm->setup_id),
            'shotsEach' => $confirm->shots_each, 'leg' => $leg, 'tag' => $id === null ? null : $tag($id),
            'next' => $leg < Rule::LEGS ? $tag($confirm->setupOfLeg($leg)) : null,
            'n' => count(
                array_filter(
                    $judged->shots[$id ?? 0] ?? [],
                    fn (array $s): bool => $s['trial'] === ($legs[$leg - 1] ?? 0) && $s['leftOut'] === null,
                ),
            ),
        ];
    }

    /** @return list<ShotSet> counted shots of each leg begun */
    public static function legs(Confirm $confirm, FittingLoader $judged): array
    {
        return array_values(
            $confirm
                ->legs()->with('shots')->get()
                ->map(
                    fn (Trial $t): ShotSet => $judged->fitting
                        ->policy()
                        ->of(
                            '',
                            array_values(
                                $t->shots
                                    ->map(fn (Shot $s): array => ['shot' => $judged->calibrations->shot($s), 'leftOut' => $s->left_out_reason])
                                    ->all(),
                            ),
                        ),
                )
                ->all(),
        );
    }

    /** Until when the player is to rest before a confirm run; null when they have. */
    public static function restsUntil(FittingLoader $judged): ?Carbon
    {
        $last = Shot::query()->where('fitting_id', $judged->fitting->id)->latest('created_at')->first(['created_at'])?->created_at;
        $until = $last?->addMinutes(Rule::PAUSE_MINUTES);

        return $until?->isFuture() === true ? $until : null;
    }
}
