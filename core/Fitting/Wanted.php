<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Launch\Measure;

use function abs;
use function array_diff;
use function array_keys;
use function array_unique;
use function array_values;
use function in_array;
use function max;

/**
 * What the brief wants to be judged by: the first want is the one measure that is declared, the others follow in the order of the
 * brief, then what is always looked at. Where nothing is wanted, the scoring declares.
 *
 * To hold a draw or a fade is a target of curve, to start on a side one of the start line: a setup is truer to it the nearer its balls
 * come to it.
 */
final readonly class Wanted
{
    /** Measure, which way is better, usual spread from shot to shot, and the difference that is worth telling, kept units. */
    private const MEASURES = [
        'longer' => [Measure::Carry, 1, PlayerPriors::CARRY_SPREAD_M, 7.0],
        'longer in all' => [Measure::Total, 1, PlayerPriors::CARRY_SPREAD_M, 7.0],
        'straighter' => [Measure::Side, -1, PlayerPriors::OFF_LINE_SPREAD_M, 5.0],
        'faster ball' => [Measure::BallSpeed, 1, PlayerPriors::BALL_SPEED_SPREAD_MPS, 0.7],
        'less spin' => [Measure::Spin, -1, PlayerPriors::SPIN_SPREAD_RPM, 180.0],
        'higher' => [Measure::Apex, 1, PlayerPriors::APEX_SPREAD_M, 2.5],
        'lower' => [Measure::Apex, -1, PlayerPriors::APEX_SPREAD_M, 2.5],
        'truer to the draw' => [Measure::Curve, -1, 8.0, 4.0],
        'truer to the fade' => [Measure::Curve, -1, 8.0, 4.0],
        'truer to the start line' => [Measure::Direction, -1, 1.4, 0.7],
    ];

    private const ALWAYS = ['longer', 'straighter', 'faster ball', 'less spin', 'higher'];

    private const OF_WANT = [
        'carry' => 'longer', 'run' => 'longer in all', 'fairways' => 'straighter', 'height' => 'higher', 'lower flight' => 'lower',
        'less spin' => 'less spin', 'hold a draw' => 'truer to the draw', 'hold a fade' => 'truer to the fade',
    ];

    /** A shape that is held curves by so much, m (common practice, no source). */
    private const HELD_CURVE_M = 7.0;

    /** A side that is wanted begins so far from the target line, ° (common practice, no source). */
    private const START_DEG = 1.0;

    /**
     * @param  list<string>  $names  the declared one first
     * @param  list<string>  $asked  those of them that the brief asks for
     */
    private function __construct(
        public string $declared, public array $names, private string $startSide, private Hand $hand, private array $asked,
    ) {
    }

    /** Does the brief ask for it? What is always looked at beside is not asked for. */
    public function isAsked(string $name): bool
    {
        return in_array($name, $this->asked, true);
    }

    public static function of(Brief $brief, Hand $hand = Hand::Right): self
    {
        $names = [];
        foreach ($brief->wants as $want) {
            if (isset(self::OF_WANT[$want])) {
                $names[] = self::OF_WANT[$want];
            }
        }
        if ($names === []) {
            $names[] = match ($brief->scoring()) {
                Scoring::Straightest => 'straighter', Scoring::Running => 'longer in all', default => 'longer',
            };
        }
        if ($brief->startSide !== 'any') {
            $names[] = 'truer to the start line';
        }
        $always = self::ALWAYS;
        // Lower and higher are one question.
        if (array_diff(['lower'], $names) === []) {
            $always = array_values(array_diff($always, ['higher']));
        }

        return new self($names[0], array_values(array_unique([...$names, ...$always])), $brief->startSide, $hand, $names);
    }

    /** @return array{Measure, int, float, float} measure, which way is better, usual spread, difference that is worth telling */
    public static function measure(string $name): array
    {
        return self::MEASURES[$name];
    }

    /** @return list<string> all there are */
    public static function all(): array
    {
        return array_keys(self::MEASURES);
    }

    /**
     * A shot's value as the measure takes it: how far off the line, off the shape or off the start that is wanted.
     *
     * @param  list<float>  $values
     * @return list<float>
     */
    public function values(string $name, array $values): array
    {
        $sign = $this->hand->sign();

        return array_map(fn (float $v): float => match ($name) {
            // Straighter counts how far from the target line, on either side.
            'straighter' => abs($v),
            'truer to the draw' => abs($v + $sign * self::HELD_CURVE_M),
            'truer to the fade' => abs($v - $sign * self::HELD_CURVE_M),
            'truer to the start line' => match ($this->startSide) {
                'left' => max(0.0, $v + self::START_DEG), 'right' => max(0.0, self::START_DEG - $v), default => abs($v),
            },
            default => $v,
        }, $values);
    }
}
