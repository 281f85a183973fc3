<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Fitting\FourteenDrives;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Statistics\Interval;

use function abs;
use function array_column;
use function array_filter;
use function array_slice;
use function array_values;
use function count;
use function in_array;
use function sqrt;

/**
 * The one answer of a fitting: take a setup, keep the own club, or hit something first; what it does for what the brief asks for, before
 * and after; and fourteen drives with each. Every figure is the advice's own.
 */
final class AnswerReport
{
    private const MOST_ROWS = 3;

    /** The figure that a want is told in. */
    private const OF_WANT = [
        'carry' => 'carryM', 'run' => 'totalM', 'fairways' => 'share', 'height' => 'apexM', 'lower flight' => 'apexM', 'less spin' => 'spinRpm',
        'hold a draw' => 'curveM', 'hold a fade' => 'curveM',
    ];

    /** A spread along the line is one of this player's as far as so many shots tell it (assumption). */
    private const SPREAD_SHOTS = 6;

    /**
     * @param  Part  $advice  `AdviceReport`
     * @param  Part  $finder  `FinderReport`
     * @return array<string, mixed> lengths m; `before` and `after` are the benchmark and what stands beside it, by tag
     */
    public static function of(FittingRecord $record, Part $advice, Part $finder, NextStep $step): array
    {
        $judge = $advice->figures;
        $notHit = self::notHit($finder->figures);
        if ($judge === null) {
            return [
                ...$record->toldSwings(), 'kind' => 'hit', 'why' => $advice->refusal?->getMessage(), 'before' => null, 'after' => null, 'chance' => null,
                'rows' => [], 'drives' => (object) [], 'field' => [], 'judge' => null, 'step' => $step, 'unhit' => $notHit,
            ];
        }
        $by = array_column($judge['setups'], null, 'tag');
        $own = $record->own()->tag;
        // What became the benchmark on the way is told beside the own club, not beside itself.
        $held = $judge['pick'] === $judge['benchmark'] && isset($by[$own]) ? $own : $judge['benchmark'];
        $before = $by[$held] ?? null;
        $after = $judge['pick'] === $held ? self::bestOfOthers($judge) : $judge['pick'];
        $told = in_array('right', $record->brief->never, true) && ! in_array('left', $record->brief->never, true);
        $drives = array_map(
            static fn (array $s): FourteenDrives => self::drives($record, $s, $told),
            array_filter($by, static fn (array $s): bool => $s['sideKnown'] > 0),
        );

        return [
            ...$record->toldSwings(),
            'kind' => match (true) {
                in_array($step->kind, ['baseline', 'more', 'settle', 'benchmark'], true),
                $step->kind === 'hit' && $judge['pick'] === $own && ! $judge['isConclusive'] => 'hit',
                $judge['pick'] === $own => 'keep',
                default => 'take',
            },
            'why' => null, 'before' => $held, 'after' => $after, 'chance' => self::against($judge, $before, $by[$after] ?? null, 'chanceBetter'),
            'rows' => $before === null ? [] : self::rows($record, $judge, $before, $by[$after] ?? null, $drives),
            'drives' => (object) array_intersect_key($drives, [$held => 1, (string) $after => 1]),
            'field' => array_map(static fn (array $s): array => self::card($s, $judge, $record, $drives[$s['tag']] ?? null), $judge['setups']),
            'judge' => $judge, 'step' => $step, 'unhit' => $notHit,
        ];
    }

    /** @param  array<string, mixed>  $judge */
    private static function bestOfOthers(array $judge): ?string
    {
        $best = null;
        foreach ($judge['setups'] as $s) {
            if ($s['tag'] !== $judge['pick'] && ($best === null || $s['gain'] > $best['gain'])) {
                $best = $s;
            }
        }

        return $best['tag'] ?? null;
    }

    /**
     * The best turn of the own head and the best of everything else that nobody hit, by the finder's tags.
     *
     * @param  array<string, mixed>|null  $found
     * @return array{turn: string|null, best: string|null}
     */
    private static function notHit(?array $found): array
    {
        $ownHead = array_column($found['setups'] ?? [], 'head', 'setupTag')[$found['own'] ?? ''] ?? null;
        $out = ['turn' => null, 'best' => null];
        // The finder's list begins with the best.
        foreach ($found['setups'] ?? [] as $s) {
            if (! $s['tested'] && $s['setupTag'] === null) {
                $isTurn = $s['head'] === $ownHead && (array) $s['with'] === [] && $s['otherLoftDeg'] === null;
                $out[$isTurn ? 'turn' : 'best'] ??= $s['tag'];
            }
        }
        $next = $found['next']['tag'] ?? null;

        return $next === null || $next === $out['turn'] ? $out : ['best' => $next] + $out;
    }

    /**
     * What the judge says of one setup against another, one of which is the benchmark.
     *
     * @param  array<string, mixed>  $judge
     * @param  array<string, mixed>|null  $before
     * @param  array<string, mixed>|null  $after
     * @param  string  $figure  chanceBetter, or carryGain or totalGain with M or Interval
     */
    private static function against(array $judge, ?array $before, ?array $after, string $figure): mixed
    {
        if ($before === null || $after === null) {
            return null;
        }
        $of = $after['tag'] === $judge['benchmark'] ? $before[$figure] : $after[$figure];

        return match (true) {
            $after['tag'] !== $judge['benchmark'] => $of,
            $figure === 'chanceBetter' => 1 - $of,
            $of instanceof Interval => new Interval(-$of->high, -$of->low),
            default => -$of,
        };
    }

    /**
     * What the brief asks for: the first wish, what must never come, the other wishes; then fairways and carry.
     *
     * @param  array<string, mixed>  $judge
     * @param  array<string, mixed>  $before
     * @param  array<string, mixed>|null  $after
     * @param  array<string, FourteenDrives>  $drives
     * @return list<array<string, mixed>>
     */
    private static function rows(FittingRecord $record, array $judge, array $before, ?array $after, array $drives): array
    {
        $brief = $record->brief;
        $asked = [];
        foreach ($brief->wants as $i => $want) {
            if (isset(self::OF_WANT[$want])) {
                $asked[] = [self::OF_WANT[$want], 'wish'];
            }
            if ($i === 0) {
                $asked = [...$asked, ...self::never($record)];
            }
        }
        $asked = [...$asked, ...($brief->wants === [] ? self::never($record) : []), ['share', ''], ['carryM', '']];
        $rows = [];
        foreach ($asked as [$what, $why]) {
            $row = isset($rows[$what]) ? null : self::row($record, $what, $judge, $before, $after, $drives);
            if ($row !== null) {
                $rows[$what] = ['what' => $what, 'asked' => $why] + $row;
            }
        }

        return array_slice(array_values($rows), 0, self::MOST_ROWS);
    }

    /** @return list<array{string, string}> */
    private static function never(FittingRecord $record): array
    {
        return array_map(static fn (string $kind): array => [$kind, 'never'], $record->brief->never);
    }

    /**
     * One figure before and after; in drives of fourteen where it is a share.
     *
     * @param  array<string, mixed>  $judge
     * @param  array<string, mixed>  $before
     * @param  array<string, mixed>|null  $after
     * @param  array<string, FourteenDrives>  $drives
     * @return array<string, mixed>|null null where it is not known
     */
    private static function row(FittingRecord $record, string $what, array $judge, array $before, ?array $after, array $drives): ?array
    {
        $set = static fn (?array $s): ?ShotSet => $s === null ? null : ($record->sets()[$s['tag']] ?? null);
        $one = static fn (?array $s): ?array => $s === null ? null : self::figure($record, $what, $s, $set($s), $drives[$s['tag']] ?? null);
        $was = $one($before);
        if ($was === null) {
            return null;
        }
        $gain = ['carryM' => 'carryGain', 'totalM' => 'totalGain'][$what] ?? null;
        $against = static fn (string $end): mixed => $gain === null ? null : self::against($judge, $before, $after, $gain.$end);

        return ['before' => $was, 'after' => $one($after), 'gain' => $against('M'), 'gainInterval' => $against('Interval')];
    }

    /**
     * @param  array<string, mixed>  $s  a setup's judgement
     * @return array{value: float, drives: int|null, interval: mixed, seen: array{in: int, of: int}|float|null}|null
     */
    private static function figure(FittingRecord $record, string $what, array $s, ?ShotSet $set, ?FourteenDrives $drives): ?array
    {
        $told = static fn (?float $value, mixed $interval = null, mixed $seen = null, ?int $n = null): ?array => $value === null
            ? null : ['value' => $value, 'drives' => $n, 'interval' => $interval, 'seen' => $seen];
        $half = $record->brief->corridor->halfM();
        $ended = static function (callable $where) use ($set): ?array {
            $sides = $set?->values(Measure::TotalSide) ?? [];

            return $sides === [] ? null : ['in' => count(array_filter($sides, $where)), 'of' => count($sides)];
        };
        $mean = static fn (Measure $m): ?float => $set?->summary($m)?->mean;
        $chance = array_column(array_map(static fn ($n): array => (array) $n, $s['never']), 'chance', 'kind')[$what] ?? null;

        return match ($what) {
            'carryM' => $told($s['expectedCarryM'], null, $mean(Measure::Carry)),
            'totalM' => $told($s['expectedTotalM'], null, $mean(Measure::Total)),
            'share' => $drives === null ? null : $told($s['share'], $s['shareInterval'], $s['seen']['fairways'], $drives->fairway),
            'left' => $drives === null ? null
                : $told($chance, null, $ended(static fn (float $m): bool => $m < -$half), $drives->left),
            'right' => $drives === null ? null
                : $told($chance, null, $ended(static fn (float $m): bool => $m > $half), $drives->right),
            'two-way miss' => $drives === null ? null : $told($chance, null, null, min($drives->left, $drives->right)),
            'low runner', 'balloon' => $told($chance, null, null, (int) round(FourteenDrives::DRIVES * (float) $chance)),
            'curveM' => $told($s['curveM'], null, $mean(Measure::Curve)),
            default => $told(
                $s['flight'][$what]['value'] ?? null, $s['flight'][$what]['interval'] ?? null, $mean(Measure::from($what)),
            ),
        };
    }

    /** @param  array<string, mixed>  $s  a setup's judgement */
    private static function drives(FittingRecord $record, array $s, bool $rightIsTold): FourteenDrives
    {
        $total = $record->sets()[$s['tag']]->summary(Measure::Total) ?? null;
        $more = max(0, ($total->n ?? 0) - 1);
        $variance = (self::SPREAD_SHOTS * PlayerPriors::CARRY_SPREAD_M ** 2 + $more * ($total->sd ?? 0.0) ** 2) / (self::SPREAD_SHOTS + $more);

        return FourteenDrives::of(
            $s['leftShare'], $s['rightShare'], $record->brief->corridor, $s['expectedTotalM'], sqrt($variance), $rightIsTold,
            (int) array_search($s['tag'], array_keys($record->setups), true),
        );
    }

    /**
     * @param  array<string, mixed>  $s  a setup's judgement
     * @param  array<string, mixed>  $judge
     * @return array<string, mixed>
     */
    private static function card(array $s, array $judge, FittingRecord $record, ?FourteenDrives $drives): array
    {
        $kind = $record->brief->never[0] ?? null;

        return [
            'tag' => $s['tag'], 'n' => $s['n'],
            'standing' => match (true) {
                $s['tag'] === $judge['pick'] => 'pick',
                $s['tag'] === $judge['benchmark'] => 'benchmark',
                $s['barredBy'] !== [] => 'barred',
                in_array($s['tag'], $judge['ties'], true) => 'level',
                $s['gainInterval']->high < 0 => 'worse',
                abs($s['chanceBetter'] - 0.5) < 0.3 => 'open',
                default => $s['chanceBetter'] > 0.5 ? 'likely better' : 'likely worse',
            },
            'carryM' => $s['expectedCarryM'], 'carryGainM' => $s['carryGainM'], 'carryGainInterval' => $s['carryGainInterval'],
            'fairway' => $drives?->fairway, 'never' => $kind,
            'neverDrives' => $kind === null ? null : self::figure($record, $kind, $s, null, $drives)['drives'] ?? null,
            'spinRpm' => $s['flight']['spinRpm']['value'] ?? null,
        ];
    }
}
