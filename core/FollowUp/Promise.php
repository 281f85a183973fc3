<?php

declare(strict_types=1);

namespace MintCarry\Core\FollowUp;

use MintCarry\Core\Statistics\Interval;

/**
 * What a decision promised, as it was told then: of the chosen setup against the own club. Shares are of drives in the
 * corridor of the brief, carry in m.
 */
final readonly class Promise
{
    /** Of a gain in share of fairways (assumption). */
    private const USUAL_ERROR = 0.1;

    private function __construct(
        public string $tag, public string $own, public bool $isOverruled, public bool $keepsOwn, public ?float $shareBefore, public ?float $shareNow,
        public ?float $carryGainM, public ?Interval $carryGain, public ?float $chanceBetter, public ?float $carryNowM,
        private ?Interval $shareGainInterval = null,
    ) {
    }

    /**
     * @param  array<string, mixed>  $advice  as a decision keeps it
     * @param  string  $tag  of the setup that was decided for
     * @param  string  $own  of the own club
     */
    public static function of(array $advice, string $tag, string $own): self
    {
        $judged = [];
        foreach (is_array($advice['setups'] ?? null) ? $advice['setups'] : [] as $setup) {
            $judged[(string) ($setup['tag'] ?? '')] = $setup;
        }
        [$now, $before] = [$judged[$tag] ?? [], $judged[$own] ?? []];
        $share = static fn (array $j): ?float => ($j['sideKnown'] ?? 0) && isset($j['share']) ? (float) $j['share'] : null;
        // What is said is against the benchmark; against the own club it is the difference of both.
        $gain = static fn (array $j): ?float => isset($j['carryGainM']) ? (float) $j['carryGainM'] : null;
        $isAgainstOwn = ($advice['benchmark'] ?? null) === $own;
        $interval = $now['carryGainInterval'] ?? null;
        $shares = $now['shareGainInterval'] ?? null;

        return new self(
            $tag, $own, ($advice['pick'] ?? $tag) !== $tag, $tag === $own, $share($before), $share($now),
            $gain($now) === null ? null : $gain($now) - ($isAgainstOwn ? 0.0 : ($gain($before) ?? 0.0)),
            $isAgainstOwn && isset($interval['low'], $interval['high']) ? new Interval((float) $interval['low'], (float) $interval['high']) : null,
            isset($now['chanceBetter']) && $isAgainstOwn ? (float) $now['chanceBetter'] : null,
            isset($now['expectedCarryM']) ? (float) $now['expectedCarryM'] : (isset($now['carry']['mean']) ? (float) $now['carry']['mean'] : null),
            $isAgainstOwn && isset($shares['low'], $shares['high']) ? new Interval((float) $shares['low'], (float) $shares['high']) : null,
        );
    }

    /** @return array<string, mixed> as `fromArray` reads it */
    public function toArray(): array
    {
        return get_object_vars($this);
    }

    /** @param  array<string, mixed>  $kept */
    public static function fromArray(array $kept): self
    {
        foreach (['carryGain', 'shareGainInterval'] as $name) {
            $kept[$name] = isset($kept[$name]['low'], $kept[$name]['high'])
                ? new Interval((float) $kept[$name]['low'], (float) $kept[$name]['high']) : null;
        }

        return new self(...$kept);
    }

    /** How unsure the promise was of fairways, as a standard error; where it was not kept, as usual. */
    public function shareGainError(): float
    {
        $of = $this->shareGainInterval;

        return $of === null ? self::USUAL_ERROR : max(0.01, ($of->high - $of->low) / (2 * 1.959964));
    }

    /**
     * More of the drives in the corridor than with the own club; null where side was not measured, or where the own
     * club was kept: that promises nothing.
     */
    public function shareGain(): ?float
    {
        return $this->keepsOwn || $this->shareNow === null || $this->shareBefore === null ? null : $this->shareNow - $this->shareBefore;
    }
}
