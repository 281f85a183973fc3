<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use function abs;
use function array_filter;

/**
 * What a setup is made of beside head, sleeve and weights: shaft, playing length mm, ball, tee height mm, cue. Empty or null:
 * nobody said.
 */
final readonly class ClubBuild
{
    /** Lengths and tees nearer than this are the same: two readings of one club differ by as much (assumption). */
    private const NEAR_MM = ['lengthMm' => 6.0, 'teeMm' => 5.0];

    public function __construct(
        public string $shaft = '', public ?float $lengthMm = null, public string $ball = '', public ?float $teeMm = null,
        public string $cue = '',
    ) {
    }

    /**
     * What others are held against: the own club's, and where nobody said of that, what was hit first.
     *
     * @param  list<self>  $hit  in the order of hitting
     */
    public static function usual(self $own, array $hit): self
    {
        foreach ($hit as $one) {
            $own = new self(
                $own->shaft !== '' ? $own->shaft : $one->shaft, $own->lengthMm ?? $one->lengthMm,
                $own->ball !== '' ? $own->ball : $one->ball, $own->teeMm ?? $one->teeMm, $own->cue,
            );
        }

        return $own;
    }

    /** This build, where nobody said or where it is as good as the same, that of another. No cue is a choice, not a gap. */
    public function by(self $usual): self
    {
        $near = static fn (?float $one, ?float $other, float $by): ?float => $one === null ||
        ($other !== null && abs($one - $other) <= $by)
            ? $other
            : $one;

        return new self(
            $this->shaft !== '' ? $this->shaft : $usual->shaft, $near($this->lengthMm, $usual->lengthMm, self::NEAR_MM['lengthMm']),
            $this->ball !== '' ? $this->ball : $usual->ball, $near($this->teeMm, $usual->teeMm, self::NEAR_MM['teeMm']), $this->cue,
        );
    }

    /** The same words for the same build. */
    public function key(): string
    {
        return json_encode(get_object_vars($this), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE);
    }

    /** @return array<string, string|float|null> what differs from another, by field */
    public function beside(self $usual): array
    {
        $was = get_object_vars($usual);

        return array_filter(
            get_object_vars($this), static fn (mixed $value, string $field): bool => $value !== $was[$field], ARRAY_FILTER_USE_BOTH,
        );
    }
}
