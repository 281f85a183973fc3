<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use LogicException;
use MessageFormatter;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Fitting\Outlook;
use MintCarry\Core\Units\Unit;

use function abs;
use function array_key_exists;
use function array_pop;
use function implode;
use function is_array;
use function is_float;
use function is_int;
use function is_string;
use function number_format;
use function round;
use function str_ends_with;
use function str_starts_with;

/**
 * What the judging found, in sentences of the message catalogue (`resources/messages`, ICU MessageFormat), in the player's units.
 * `resources/web/format/sentences.ts` does the same on the screen; both are held to the same sentences by
 * tests/fixtures/sentences.json.
 *
 * A figure says by the end of its name what it is: Deg, Mm, M, Rpm, Mps, Share, Smash, Points. Beside the figure itself, without
 * its sign, a message may ask for `name_way` (plus or minus), `name_told` (yes where it is worth telling) and, of an angle to the
 * right, `name_open` (yes where that is open for this hand).
 */
final readonly class Sentences
{
    /** Nearer to nothing than this is not worth telling, by kind. */
    private const WORTH_TELLING = ['Mm' => 3.0, 'M' => 0.5, 'Points' => 1.0];

    private const MINUS = "\u{2212}";

    /**
     * @param  array<string, string>  $messages  by key
     * @param  array{speed: string, distance: string}  $units  as the player reads them
     */
    public function __construct(private array $messages, private Hand $hand, private array $units, private string $locale = 'en')
    {
    }

    /** @param  array<string, string|int|float>  $with */
    public function say(string $key, array $with = []): string
    {
        $message = $this->messages[$key] ?? throw new LogicException("The catalogue has no message '{$key}'.");
        $said = MessageFormatter::formatMessage($this->locale, $message, $with);

        return is_string($said) ? $said : throw new LogicException("The message '{$key}' cannot be formed.");
    }

    /**
     * All that a judging report says in words.
     *
     * @param  array<string, mixed>  $report  of `JudgingReport`, as JSON has it
     * @return array{setups: array<array-key, array{verdict: string|null, findings: array<string>}>, guardRails: array<string>,
     *   next: string|null}
     */
    public function judging(array $report): array
    {
        $setups = [];
        foreach ($report['setups'] as $setup) {
            $isBenchmark = $report['benchmark'] === null || $setup['tag'] === $report['benchmark'];
            $setups[$setup['tag']] = [
                'verdict' => $isBenchmark ? null : $this->verdict($setup, $report['benchmark']),
                'findings' => array_map($this->finding(...), $setup['diagnosis']),
            ];
        }

        return [
            'setups' => $setups, 'guardRails' => array_map($this->guardRail(...), $report['rails']),
            'next' => $report['next'] === null ? null : $this->next($report['next']),
        ];
    }

    /** @param  array{kind: string, figures: array<string, mixed>, gives?: array<string, mixed>|null}  $finding */
    public function finding(array $finding): string
    {
        $said = $this->say("finding.{$finding['kind']}", $this->figures($finding['figures']));
        if (! isset($finding['figures']['loftChangeDeg']) || ! array_key_exists('gives', $finding)) {
            return $said;
        }

        return "{$said} ".$this->gives($finding['gives']);
    }

    /** @param  array<string, mixed>|null  $gives  of `SetupForLoft` */
    private function gives(?array $gives): string
    {
        if ($gives === null) {
            return $this->say('finding.givesNone');
        }

        return $this->say('finding.gives', $this->figures(['loftDeg' => $gives['loftDeg'], 'sdDeg' => $gives['sdDeg']]) + [
            'head' => $gives['head'], 'sleeve' => $gives['sleeve'] === '' ? 'none' : $gives['sleeve'],
            'toOrder' => $gives['toOrder'] ? 'yes' : 'no', 'leadDays' => $gives['leadDays'] === null ? 'none' : (string) $gives['leadDays'],
        ]);
    }

    /** @param  array{tag: string, kind: string, figures: array<string, mixed>}  $rail */
    public function guardRail(array $rail): string
    {
        $what = $this->say("guardRail.{$rail['kind']}", $this->figures($rail['figures']));
        $done = $this->say("guardRail.{$rail['kind']}.done");

        return $this->say('guardRail.told', ['tag' => $rail['tag'] === '' ? 'none' : $rail['tag'], 'what' => $what, 'done' => $done]);
    }

    /**
     * The verdict on the declared measure.
     *
     * @param  array{tag: string, n: int, verdicts: list<array{name: string, measure: string, verdict: string, value: float,
     *   interval: array{low: float, high: float}, declared: bool, moreShots: int|null}>}  $setup
     */
    public function verdict(array $setup, string $benchmark): string
    {
        foreach ($setup['verdicts'] as $v) {
            if ($v['declared']) {
                return $this->say("verdict.{$v['verdict']}", [
                    'tag' => $setup['tag'], 'name' => $v['name'], 'benchmark' => $benchmark, 'more' => $v['moreShots'] ?? 0,
                    'range' => $this->range($v),
                ]);
            }
        }

        return $this->say('verdict.none', ['n' => $setup['n'], 'tag' => $setup['tag']]);
    }

    /** @param  array{name: string, measure: string, value: float, interval: array{low: float, high: float}}  $verdict */
    public function range(array $verdict): string
    {
        ['low' => $low, 'high' => $high] = $verdict['interval'];
        if ($verdict['name'] === 'tighter') {
            return $this->say('verdict.rangeOfSpread', [
                'value' => self::plain($verdict['value'], 2), 'low' => self::plain($low, 2), 'high' => self::plain($high, 2),
            ]);
        }
        [$unit, $factor] = $this->unitOf($verdict['measure']);
        $digits = $verdict['measure'] === 'ballSpeedMps' ? 1 : 0;

        return $this->say('verdict.range', [
            'value' => self::signed($verdict['value'] * $factor, $digits)." {$unit}",
            'low' => self::signed($low * $factor, $digits), 'high' => self::signed($high * $factor, $digits),
        ]);
    }

    /**
     * @param  array{head: string, sleeve: string, weights: string, mends: string, effect: array<string, array{value: float,
     *   low: float, high: float}>}  $next
     */
    public function next(array $next): string
    {
        $effect = [];
        foreach (['launchDeg', 'spinRpm', 'carryM', 'sideM'] as $measure) {
            [$unit, $factor] = $this->unitOf($measure);
            $digits = $measure === 'launchDeg' ? 1 : 0;
            ['value' => $value, 'low' => $low, 'high' => $high] = $next['effect'][$measure];
            $effect[$measure] = $this->say('next.effect', [
                'value' => self::signed($value * $factor, $digits)." {$unit}",
                'low' => self::signed($low * $factor, $digits), 'high' => self::signed($high * $factor, $digits),
            ]);
        }
        $orNone = static fn (string $text): string => $text === '' ? 'none' : $text;

        return $this->say(
            'next',
            $effect + [
                'head' => $next['head'], 'sleeve' => $orNone($next['sleeve']), 'weights' => $orNone($next['weights']),
                'mends' => $this->say("mends.{$next['mends']}"),
            ],
        );
    }

    /**
     * What a message may ask for, from the figures of a finding.
     *
     * @param  array<string, mixed>  $figures
     * @return array<string, string|int|float>
     */
    private function figures(array $figures): array
    {
        $out = [];
        foreach ($figures as $name => $value) {
            if (is_array($value)) {
                $last = (string) array_pop($value);
                $out[$name] = $value === [] ? $last : $this->say('list.and', ['before' => implode(', ', $value), 'last' => $last]);
            } elseif (is_int($value) || is_float($value)) {
                [$kind, $text] = $this->figure($name, (float) $value);
                $out += [
                    $name => $text ?? $value, "{$name}_way" => $value > 0 ? 'plus' : 'minus',
                    "{$name}_told" => abs($value) > (self::WORTH_TELLING[$kind] ?? 0.0) ? 'yes' : 'no',
                    "{$name}_open" => $value * $this->hand->sign() > 0 ? 'yes' : 'no',
                ];
            } else {
                $out[$name] = is_string($value) ? $value : '';
            }
        }

        return $out;
    }

    /** @return array{string, string|null} kind, and the figure without its sign; null for a plain count */
    private function figure(string $name, float $value): array
    {
        $size = abs($value);
        $ends = static fn (string ...$kinds): ?string => array_values(
            array_filter($kinds, static fn (string $k): bool => str_ends_with($name, $k)),
        )[0] ?? null;
        $kind = $ends('Deg', 'Mps', 'Rpm', 'Mm', 'M', 'carryShare', 'Share', 'Smash', 'smash', 'Points') ?? '';

        return [$kind, match ($kind) {
            'Deg' => self::plain($size, $name === 'descentDeg' ? 0 : 1).'°',
            'Mps' => self::plain($size * self::factor($this->units['speed'], Unit::MetresPerSecond), 1)." {$this->units['speed']}",
            'Rpm' => self::plain(str_starts_with($name, 'best') ? round($size / 50) * 50 : $size, 0).' rpm',
            'Mm' => self::plain($size, 0).' mm',
            'M' => self::plain($size * self::factor($this->units['distance'], Unit::Metres), 0)." {$this->units['distance']}",
            'carryShare' => self::plain($size * 100, 0).' %',
            'Share' => self::plain(round($size * Outlook::DRIVES), 0).' of '.Outlook::DRIVES,
            'Smash', 'smash' => self::plain($size, 2),
            'Points' => self::plain($size, 0),
            default => null,
        }];
    }

    /** @return array{string, float} unit as the player reads it, and what a kept value is multiplied with */
    private function unitOf(string $measure): array
    {
        return match (true) {
            str_ends_with($measure, 'Mps') => [$this->units['speed'], self::factor($this->units['speed'], Unit::MetresPerSecond)],
            str_ends_with($measure, 'Rpm') => ['rpm', 1.0],
            str_ends_with($measure, 'Deg') => ['°', 1.0],
            default => [$this->units['distance'], self::factor($this->units['distance'], Unit::Metres)],
        };
    }

    private static function factor(string $unit, Unit $kept): float
    {
        return $kept->to(Unit::from($unit), 1.0);
    }

    private static function plain(float $value, int $digits): string
    {
        $text = number_format(abs($value), $digits, '.', '');

        return $value < 0 && (float) $text !== 0.0 ? self::MINUS.$text : $text;
    }

    private static function signed(float $value, int $digits): string
    {
        $text = self::plain($value, $digits);

        return (float) number_format(abs($value), $digits, '.', '') === 0.0 ? '0' : ($value > 0 ? "+{$text}" : $text);
    }
}
