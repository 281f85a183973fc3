<?php

declare(strict_types=1);

namespace Tests;

use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Report\CompareReport;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\JudgingReport;

/**
 * The figures of a fitting, each known by its part, its setup and its measure, and never by its place in a list.
 *
 * Figures carry the digits that mean something: a decimetre, a tenth of a degree, a revolution, a thousandth of a share.
 * Sentences, labels and whatever another part holds already are left out.
 */
final class FigureTable
{
    public const FITTINGS = ['right-handed-club-seen', 'left-handed-ball-alone', 'carry-and-side-measured'];

    private const FOLDER = __DIR__.'/fixtures/figures';

    /** What tells one entry of a list from the next, in this order. */
    private const NAMED_BY = ['tag', 'measure', 'zone', 'scoring', 'kind', 'field', 'cause', 'criterion', 'day', 'what', 'head', 'name'];

    /** Texts, copies of another part's figures, and details that follow from the figure beside them. */
    private const LEFT_OUT = [
        'label', 'judge', 'field', 'path', 'noise', 'assumed', 'median', 'meanInterval', 'rackAt', 'setupTag', 'masses', 'alike', 'policies',
        'like', 'leadDays', 'currency', 'price', 'inStock', 'printSdDeg', 'otherLoftDeg', 'orderable', 'within', 'guard', 'gives',
        'sleeve', 'weights', 'head', 'computed', 'strikeSeen', 'clubSeen', 'wanted', 'declared', 'moreShots', 'never', 'why', 'unit',
        'money', 'moneyCurrency', 'cost', 'simulatedShots', 'outdoors', 'steps', 'trade', 'error', 'way', 'margin', 'turnDeg', 'tested',
        'sideKnown', 'totalGainInterval', 'strokesInterval', 'from', 'priorSd', 'prior', 'aimFixedGain',
        'turns', 'of', 'seen', 'wishes', 'exaggerates', 'expectedTotalM',
    ];

    /** Decimals by the end of a measure's name. */
    private const DECIMALS = ['Rpm' => 0, 'Mm' => 1, 'Mps' => 2, 'Deg' => 1, 'M' => 1];

    /** @return array<string, callable(FittingRecord): array<string, mixed>> */
    public static function reports(): array
    {
        return [
            'compare' => CompareReport::of(...), 'judging' => JudgingReport::of(...),
            'finder' => FinderReport::of(...), 'decide' => DecideReport::of(...),
        ];
    }

    public static function record(string $fitting): FittingRecord
    {
        return FittingFile::read(FittingFile::parse((string) file_get_contents(self::FOLDER."/{$fitting}.json")));
    }

    /** @return array<string, string> value by "part, setup, measure", parted by tabs */
    public static function of(string $fitting): array
    {
        $record = self::record($fitting);
        $out = [];
        foreach (self::reports() as $part => $report) {
            $told = json_decode(json_encode($report($record), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true);
            if ($part === 'finder') {
                $told['setups'] = self::some($told);
            }
            self::walk($told, $part, '', [], $out);
        }

        return $out;
    }

    /** @return array<string, string> as accepted */
    public static function accepted(string $fitting): array
    {
        $out = [];
        foreach (file(self::FOLDER."/{$fitting}.tsv", FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            $at = (int) strrpos($line, "\t");
            $out[substr($line, 0, $at)] = substr($line, $at + 1);
        }

        return $out;
    }

    /** Takes the figures as they are now, and writes down why they moved. */
    public static function accept(string $reason): void
    {
        $moved = [];
        foreach (self::FITTINGS as $fitting) {
            $now = self::of($fitting);
            $moved[] = count(self::moves(self::accepted($fitting), $now))." of {$fitting}";
            $lines = array_map(static fn (string $key, string $value): string => "{$key}\t{$value}\n", array_keys($now), $now);
            file_put_contents(self::FOLDER."/{$fitting}.tsv", implode('', $lines));
        }
        $line = sprintf("- %s: %s (moved: %s)\n", self::print(), $reason, implode(', ', $moved));
        file_put_contents(self::FOLDER.'/accepted.md', $line, FILE_APPEND);
    }

    /** The print of the accepted figures, as the last line of accepted.md must name it. */
    public static function print(): string
    {
        $all = array_map(static fn (string $f): string => (string) file_get_contents(self::FOLDER."/{$f}.tsv"), self::FITTINGS);

        return substr(hash('sha256', implode('', $all)), 0, 12);
    }

    public static function lastReason(): string
    {
        $lines = file(self::FOLDER.'/accepted.md', FILE_IGNORE_NEW_LINES) ?: [''];

        return (string) end($lines);
    }

    /**
     * What moved by more than its last digit.
     *
     * @param  array<string, string>  $was
     * @param  array<string, string>  $now
     * @return array<string, array{string, string}> before and after, by key
     */
    public static function moves(array $was, array $now): array
    {
        $out = [];
        foreach ($was + $now as $key => $_) {
            [$a, $b] = [$was[$key] ?? '–', $now[$key] ?? '–'];
            if ($a !== $b && ! self::isRounding($a, $b)) {
                $out[$key] = [$a, $b];
            }
        }

        return $out;
    }

    /**
     * The moves as a table: the largest of each part and measure, and how many setups moved alike.
     *
     * @param  array<string, array{string, string}>  $moves
     */
    public static function table(array $moves): string
    {
        $rows = [];
        foreach ($moves as $key => [$a, $b]) {
            [$part, $setup, $measure] = explode("\t", $key);
            $by = is_numeric($a) && is_numeric($b) ? (float) $b - (float) $a : null;
            $row = &$rows["{$part}\t{$measure}"];
            $row['count'] = ($row['count'] ?? 0) + 1;
            if (! isset($row['by']) || abs($by ?? INF) > abs($row['by'])) {
                $row = ['setup' => $setup, 'was' => $a, 'is' => $b, 'by' => $by ?? INF] + $row;
            }
            unset($row);
        }
        $lines = [sprintf('%-8s %-34s %5s  %-14s %16s %16s %10s', 'part', 'measure', 'moved', 'most in', 'was', 'is', 'by')];
        foreach ($rows as $key => $row) {
            [$part, $measure] = explode("\t", $key);
            $by = is_finite($row['by']) ? sprintf('%+.4g', $row['by']) : '';
            $lines[] = sprintf(
                '%-8s %-34s %5d  %-14s %16s %16s %10s', $part, $measure, $row['count'], $row['setup'], $row['was'], $row['is'], $by,
            );
        }

        return implode("\n", $lines);
    }

    /**
     * The own club, what was hit, what is named elsewhere, and one setup in forty of the rack, whatever its order.
     *
     * @param  array<string, mixed>  $told
     * @return list<array<string, mixed>>
     */
    private static function some(array $told): array
    {
        $named = [$told['own'], $told['best'] ?? null, $told['pick'] ?? null, $told['next']['tag'] ?? null];

        return array_values(array_filter(
            $told['setups'],
            static fn (array $s): bool => $s['tested'] || in_array($s['tag'], $named, true) || crc32($s['tag']) % 41 === 0,
        ));
    }

    /**
     * @param  list<string>  $path
     * @param  array<string, string>  $out
     */
    private static function walk(mixed $value, string $part, string $setup, array $path, array &$out): void
    {
        $name = (string) end($path);
        if (! is_array($value)) {
            if ($value !== null && $name !== 'tag') {
                $out[implode("\t", [$part, $setup, implode('.', $path)])] = self::rounded($value, $name);
            }

            return;
        }
        if (isset($value['low'], $value['high']) && count($value) === 2) {
            $unit = self::measured($path);
            $ends = [self::rounded($value['low'], $unit), self::rounded($value['high'], $unit)];
            $out[implode("\t", [$part, $setup, implode('.', $path)])] = implode(' … ', $ends);

            return;
        }
        if ($value !== [] && array_is_list($value) && ! is_array($value[0])) {
            $told = array_map(static fn (mixed $v): string => self::rounded($v, $name), array_slice($value, 0, 12));
            $out[implode("\t", [$part, $setup, implode('.', $path)])] = implode(' ', $told);

            return;
        }
        $seen = [];
        foreach ($value as $key => $inner) {
            // Of the expected flight the figures of what was hit, without their words.
            $isFlight = in_array('flight', [$key, ...$path], true) && ($part === 'finder' || $key === 'interval' || $key === 'standing');
            if (in_array($key, self::LEFT_OUT, true) || $isFlight) {
                continue;
            }
            if (is_int($key)) {
                $by = is_array($inner) ? array_values(array_intersect(self::NAMED_BY, array_keys($inner)))[0] ?? null : null;
                $key = $by === null ? (string) $key : (string) json_encode($inner[$by] ?? '', JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
                $key = trim($key, '"');
                $seen[$key] = ($seen[$key] ?? 0) + 1;
                $isSetup = $by === 'tag';
                $key .= $seen[$key] > 1 ? " ({$seen[$key]})" : '';
                self::walk($inner, $part, $isSetup && $setup === '' ? $key : $setup, $isSetup ? $path : [...$path, $key], $out);
            } elseif ($name === 'cells') {
                self::walk($inner, $part, $key, array_slice($path, 0, -1), $out);
            } else {
                self::walk($inner, $part, $setup, [...$path, $key], $out);
            }
        }
    }

    /**
     * The name that tells an interval's unit: the measure that it belongs to.
     *
     * @param  list<string>  $path
     */
    private static function measured(array $path): string
    {
        $name = str_replace('Interval', '', (string) end($path));

        return $name === 'interval' ? (string) ($path[count($path) - 2] ?? '') : $name;
    }

    private static function rounded(mixed $value, string $name): string
    {
        if (! is_float($value)) {
            return is_string($value) ? $value : (string) json_encode($value, JSON_UNESCAPED_UNICODE);
        }
        foreach (self::DECIMALS as $end => $decimals) {
            if (str_ends_with($name, $end)) {
                return sprintf("%.{$decimals}f", $value);
            }
        }

        return abs($value) < 10 ? sprintf('%.3f', $value) : sprintf('%.1f', $value);
    }

    /** The same number but for one unit in its last digit. */
    private static function isRounding(string $a, string $b): bool
    {
        [$as, $bs] = [explode(' ', $a), explode(' ', $b)];
        if (count($as) > 1 && count($as) === count($bs)) {
            foreach ($as as $k => $one) {
                if ($one !== $bs[$k] && ! self::isRounding($one, $bs[$k])) {
                    return false;
                }
            }

            return true;
        }
        if (! is_numeric($a) || ! is_numeric($b)) {
            return false;
        }
        $digits = strlen($a) - (strpos($a, '.') === false ? strlen($a) : (int) strpos($a, '.') + 1);

        return abs((float) $a - (float) $b) < 1.5 * 10 ** -$digits && str_contains($a, '.') === str_contains($b, '.');
    }
}
