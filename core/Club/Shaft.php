<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

use function max;
use function min;

/**
 * A shaft as a thin rod whose mass per length changes evenly from butt to tip, so that mass, length and balance point tell all of
 * it. Cut at the butt, as drivers' shafts are.
 */
final readonly class Shaft
{
    /** A driver's shaft as it is sold, mm: 46 in (common practice, no source). */
    public const RAW_LENGTH_MM = 1168.4;

    /** Balance point from the butt, as a share of the length, where nobody measured it (assumption). */
    public const BALANCE_SHARE = 0.49;

    public const USUAL_RAW_MASS_G = 62.0;

    /** The tip ends so far above the point of the sole that the playing length is measured to, mm (assumption). */
    public const TIP_ABOVE_GROUND_MM = 32.0;

    public function __construct(public float $massG, public float $balanceFromButtMm, public float $lengthMm)
    {
        InvalidInput::requireWithin('shaftMassG', $massG, 20, 160, 'g');
        InvalidInput::requireWithin('shaftLengthMm', $lengthMm, 700, 1400, 'mm');
        InvalidInput::requireWithin('shaftBalanceFromButtMm', $balanceFromButtMm, 200, 900, 'mm');
    }

    /** A shaft as it is sold, whose balance point nobody may have measured. */
    public static function raw(float $massG, ?float $balanceFromButtMm = null, ?float $lengthMm = null): self
    {
        $length = $lengthMm ?? self::RAW_LENGTH_MM;

        return new self($massG, $balanceFromButtMm ?? self::BALANCE_SHARE * $length, $length);
    }

    /**
     * The shaft in a club of this playing length. What was measured of the cut shaft holds as it is; a shaft of which only the mass
     * before cutting is known is cut.
     *
     * @param  float|null  $balanceFromButtMm  of the cut shaft where its mass is given, else of the raw one
     * @param  float|null  $rawLengthMm  before cutting
     */
    public static function inClub(
        float $playingLengthMm, ?float $cutMassG, ?float $rawMassG, ?float $balanceFromButtMm, ?float $rawLengthMm = null,
    ): self {
        $length = max(700.0, $playingLengthMm - self::TIP_ABOVE_GROUND_MM);
        if ($cutMassG !== null) {
            return new self($cutMassG, $balanceFromButtMm ?? self::BALANCE_SHARE * $length, $length);
        }

        return self::raw($rawMassG ?? self::USUAL_RAW_MASS_G, $balanceFromButtMm, $rawLengthMm)->cutTo($length);
    }

    /** The same shaft with its butt cut off; one that is already shorter stays. */
    public function cutTo(float $lengthMm): self
    {
        $cut = $this->lengthMm - $lengthMm;

        return $cut <= 0 ? $this : $this->cutAt($cut, 0.0);
    }

    /**
     * The same shaft with something cut off either end. A butt that is to be longer is extended by a piece as heavy to the mm as the
     * butt is.
     *
     * @param  float  $buttMm  − extends it
     */
    public function cutAt(float $buttMm, float $tipMm): self
    {
        InvalidInput::requireWithin('buttCutMm', $buttMm, -120, 400, 'mm');
        InvalidInput::requireWithin('tipCutMm', $tipMm, 0, 200, 'mm');
        // Mass per length m/L · (1 + β (1 − 2 x/L)) at x from the butt has its balance at L (1/2 − β/6).
        $beta = max(-1.0, min(1.0, 6 * (0.5 - $this->balanceFromButtMm / $this->lengthMm)));
        $perMm = $this->massG / $this->lengthMm;
        $mass = static fn (float $to, float $of): float => $perMm * ((1 + $beta) * $to - $beta * $to ** 2 / $of);
        $moment = static fn (float $to, float $of): float => $perMm * ((1 + $beta) * $to ** 2 / 2 - 2 * $beta * $to ** 3 / (3 * $of));
        $end = $this->lengthMm - $tipMm;
        $begin = max(0.0, $buttMm);
        $left = $mass($end, $this->lengthMm) - $mass($begin, $this->lengthMm);
        // A balance that was measured beyond what such a rod can have stays as far off as it was measured.
        $offMm = $this->balanceFromButtMm - $this->lengthMm * (0.5 - $beta / 6);
        $about = $moment($end, $this->lengthMm) - $moment($begin, $this->lengthMm) + $offMm * $left;
        $extended = max(0.0, -$buttMm);
        $added = $perMm * (1 + $beta) * $extended;

        return new self(
            $left + $added, ($about - $begin * $left + $extended * $left + $added * $extended / 2) / ($left + $added),
            $this->lengthMm - $tipMm - $buttMm,
        );
    }
}
