<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

/**
 * Swing weight from the moment about a point 14 in from the grip end. D0 = 213.5 oz·in, one point = 1.75 oz·in (common scale,
 * from memory). The head pulls at its CG, which lies out beyond the shaft's line: seen along the shaft it is only little short of
 * the playing length (assumption, met so that a 200 g head at 45.5 in on a 65 g shaft before cutting with a 50 g grip is D2 to D4:
 * common practice, no source). The grip balances a good third of the way down its 270 mm (assumption).
 */
final readonly class SwingWeight
{
    public const FULCRUM_MM = 355.6;

    public const HEAD_SHORT_OF_LENGTH_MM = 12.0;

    public const GRIP_BALANCE_MM = 100.0;

    /** A driver's length where none was told: 45 in (common practice, no source). */
    public const USUAL_LENGTH_MM = 1143.0;

    private const POINT_OZ_IN = 1.75;

    private const OZ_IN_PER_G_MM = 1 / (28.349523125 * 25.4);

    private function __construct(public float $momentOzIn)
    {
    }

    public static function of(float $headMassG, float $lengthMm, float $shaftMassG, float $shaftBalanceFromButtMm, float $gripMassG): self
    {
        InvalidInput::requireWithin('headMassG', $headMassG, 120, 280, 'g');
        InvalidInput::requireWithin('lengthMm', $lengthMm, 900, 1300, 'mm');
        InvalidInput::requireWithin('shaftMassG', $shaftMassG, 20, 160, 'g');
        InvalidInput::requireWithin('shaftBalanceFromButtMm', $shaftBalanceFromButtMm, 200, 900, 'mm');
        InvalidInput::requireWithin('gripMassG', $gripMassG, 10, 150, 'g');
        $moment = $headMassG * ($lengthMm - self::HEAD_SHORT_OF_LENGTH_MM - self::FULCRUM_MM)
            + $shaftMassG * ($shaftBalanceFromButtMm - self::FULCRUM_MM)
            + $gripMassG * (self::GRIP_BALANCE_MM - self::FULCRUM_MM);

        return new self($moment * self::OZ_IN_PER_G_MM);
    }

    /** The same with a shaft as it is in the club. */
    public static function with(float $headMassG, float $lengthMm, Shaft $shaft, float $gripMassG): self
    {
        return self::of($headMassG, $lengthMm, $shaft->massG, $shaft->balanceFromButtMm, $gripMassG);
    }

    /** Points for each gram at the head of a club of this length, all else the same. */
    public static function pointsPerHeadG(?float $lengthMm): float
    {
        return ((($lengthMm ?? self::USUAL_LENGTH_MM) - self::HEAD_SHORT_OF_LENGTH_MM - self::FULCRUM_MM) * self::OZ_IN_PER_G_MM) /
            self::POINT_OZ_IN;
    }

    /** Points that a moment about the 14 in point adds, g·mm. */
    public static function pointsOfMoment(float $gMm): float
    {
        return $gMm * self::OZ_IN_PER_G_MM / self::POINT_OZ_IN;
    }

    /** Points above A0; D0 is 30. */
    public function points(): float
    {
        return 30 + ($this->momentOzIn - 213.5) / self::POINT_OZ_IN;
    }

    /** As it is spoken: "D3.7". */
    public function label(): string
    {
        return self::labelOf($this->points());
    }

    /**
     * Points above A0 of a swing weight as it is written: "D3", "D 2.5", "c9".
     *
     * @throws InvalidInput when it is not one
     */
    public static function pointsOf(string $label): float
    {
        if (preg_match('/^\s*([A-Ga-g])\s*(\d(?:[.,]\d+)?)\s*$/', $label, $m) !== 1) {
            throw InvalidInput::of(
                'swingWeight', "'{$label}' is not a swing weight; write a letter A to G and a number 0 to 9.9, such as D2.5.",
            );
        }

        return 10 * (ord(strtoupper($m[1])) - ord('A')) + (float) str_replace(',', '.', $m[2]);
    }

    /** As it is spoken, from points above A0: "D3.7". */
    public static function labelOf(float $points): string
    {
        $points = min(69.9, max(0.0, round($points, 1)));
        $letter = (int) floor($points / 10);

        return 'ABCDEFG'[$letter].rtrim(rtrim(sprintf('%.1f', $points - 10 * $letter), '0'), '.');
    }
}
