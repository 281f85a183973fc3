<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Decision;
use App\Models\Fitting;
use App\Models\Round;
use App\Models\Studio;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;
use MintCarry\Core\FollowUp\CourseBook;
use MintCarry\Core\FollowUp\CourseEffect;
use MintCarry\Core\FollowUp\FollowUp;
use MintCarry\Core\FollowUp\PlayedRound;
use MintCarry\Core\FollowUp\Promise;

/** What was promised in fittings, and what their rounds say of it. Read in a few queries, whatever their number. */
final class FollowUps
{
    private readonly CourseBook $courses;

    /**
     * @param  array<int, Promise>  $promises  by fitting
     * @param  Collection<int|string, Collection<int, Round>>  $rounds  by fitting, in their order
     */
    private function __construct(private readonly array $promises, private readonly Collection $rounds)
    {
        $this->courses = new CourseBook;
        /** @var array<string, array<int, array{hit: int, holes: int, fitting: int}>> $players */
        $players = [];
        foreach ($rounds as $fitting => $theirs) {
            foreach ($theirs as $round) {
                if ($round->club === 'new') {
                    $of = $players[$round->course_key][$round->player_id] ?? ['hit' => 0, 'holes' => 0, 'fitting' => (int) $fitting];
                    $players[$round->course_key][$round->player_id] = ['hit' => $of['hit'] + $round->hit,
                        'holes' => $of['holes'] + $round->holes] + $of;
                }
            }
        }
        foreach ($players as $course => $all) {
            foreach ($all as $player => $of) {
                $promised = $this->promise($of['fitting'])?->shareNow;
                if ($promised !== null) {
                    $this->courses->add((string) $course, (int) $player, $of['hit'], $of['holes'], $promised);
                }
            }
        }
    }

    public static function ofStudio(Studio $studio): self
    {
        return self::read(Round::query()->where('studio_id', $studio->id)->whereHas('fitting'),
            Decision::query()->where('studio_id', $studio->id));
    }

    /** Of one fitting, beside what other players of the studio made of the same courses. */
    public static function ofFitting(Fitting $fitting): self
    {
        $courses = Round::query()->where('fitting_id', $fitting->id)->distinct()->pluck('course_key');
        $rounds = Round::query()->where('studio_id', $fitting->studio_id)->whereIn('course_key', $courses)->whereHas('fitting');
        $those = (clone $rounds)->where('club', 'new')->distinct()->pluck('fitting_id')->push($fitting->id);

        return self::read($rounds, Decision::query()->whereIn('fitting_id', $those));
    }

    /**
     * @param  Builder<Round>  $rounds
     * @param  Builder<Decision>  $decisions  of which the newest of each fitting counts
     */
    private static function read(Builder $rounds, Builder $decisions): self
    {
        $newest = $decisions->whereIn('id', (clone $decisions)->selectRaw('max(id)')->groupBy('fitting_id'));
        $told = (clone $newest)->toBase()->whereNotNull('promise')->pluck('promise', 'fitting_id')->all();
        // Of a version before, which kept no more than the advice.
        foreach ((clone $newest)->whereNull('promise')->with('setup')->lazyById(100) as $decision) {
            $told[$decision->fitting_id] = $decision->promised();
        }
        $promises = array_map(static fn (string $json): Promise => Promise::fromArray((array) json_decode($json, true)),
            array_filter($told));

        return new self($promises, $rounds->orderBy('played_on')->orderBy('id')->get()->toBase()->groupBy('fitting_id'));
    }

    public function promise(int $fittingId): ?Promise
    {
        return $this->promises[$fittingId] ?? null;
    }

    public function hasRounds(int $fittingId): bool
    {
        return $this->rounds->has($fittingId);
    }

    public function of(int $fittingId): ?FollowUp
    {
        $promise = $this->promise($fittingId);
        $rounds = $this->rounds->get($fittingId, new Collection);
        $effects = [];
        foreach ($rounds->unique('course_key') as $round) {
            $effects[$round->course_key] = $this->courses->effect($round->course_key, $round->player_id);
        }

        return $promise === null ? null : FollowUp::of(
            $promise, array_values($rounds->map(static fn (Round $r): PlayedRound => $r->played())->all()),
            array_filter($effects, static fn (?CourseEffect $e): bool => $e !== null),
        );
    }
}
