<?php

declare(strict_types=1);

namespace MintCarry\Core\FollowUp;

/**
 * What the players of a studio made of each course with their fitted clubs. Each player is one entry of a course,
 * however many rounds they told.
 */
final class CourseBook
{
    /** @var array<string, array<int, array{hit: int, holes: int, promised: float}>> by course and player */
    private array $seen = [];

    /** @var array<string, array{n: int, drives: int, off: float, squares: float, counted: float}> by course */
    private array $sums = [];

    /**
     * @param  string  $course  its key
     * @param  int  $hit  fairways of all their rounds there
     * @param  float  $promised  share of fairways
     */
    public function add(string $course, int $player, int $hit, int $holes, float $promised): void
    {
        if ($holes > 0 && ! isset($this->seen[$course][$player])) {
            $this->seen[$course][$player] = ['hit' => $hit, 'holes' => $holes, 'promised' => $promised];
            $this->sums[$course] = self::with($this->sums[$course] ?? null, $this->seen[$course][$player], 1);
        }
    }

    /** What a course adds or takes, learned from everybody but one player; null below `CourseEffect::PLAYERS` and `DRIVES`. */
    public function effect(string $course, int $but): ?CourseEffect
    {
        $sums = $this->sums[$course] ?? null;
        if ($sums !== null && isset($this->seen[$course][$but])) {
            $sums = self::with($sums, $this->seen[$course][$but], -1);
        }

        return $sums === null ? null : CourseEffect::of($sums['n'], $sums['drives'], $sums['off'], $sums['squares'], $sums['counted']);
    }

    /**
     * @param  array{n: int, drives: int, off: float, squares: float, counted: float}|null  $sums
     * @param  array{hit: int, holes: int, promised: float}  $one
     * @return array{n: int, drives: int, off: float, squares: float, counted: float}
     */
    private static function with(?array $sums, array $one, int $sign): array
    {
        $sums ??= ['n' => 0, 'drives' => 0, 'off' => 0.0, 'squares' => 0.0, 'counted' => 0.0];
        $off = $one['hit'] / $one['holes'] - $one['promised'];

        return [
            'n' => $sums['n'] + $sign, 'drives' => $sums['drives'] + $sign * $one['holes'], 'off' => $sums['off'] + $sign * $off,
            'squares' => $sums['squares'] + $sign * $off ** 2, 'counted' => $sums['counted'] + $sign * 0.25 / $one['holes'],
        ];
    }
}
