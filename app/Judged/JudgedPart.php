<?php

declare(strict_types=1);

namespace App\Judged;

/** A part of a fitting's judgement, by the name that its route has. */
enum JudgedPart: string
{
    case Comparison = 'comparison';
    case Judging = 'judging';
    case Advice = 'advice';
    case Answer = 'answer';
    case Finder = 'finder';
    case Judge = 'judge';
    case Grounds = 'grounds';
    case Schools = 'schools';
    case Questions = 'questions';
    case Lofts = 'loft-ladder';
    case Speeds = 'speed-ladder';
    case Strikes = 'strikes';

    /** Few look at it: it is judged after what everybody looks at. */
    public function isFurther(): bool
    {
        return ! in_array($this, [self::Comparison, self::Judging, self::Advice, self::Answer, self::Finder, self::Judge], true);
    }

    /** @return list<self> the further ones, or what everybody looks at */
    public static function allOf(bool $isFurther): array
    {
        return array_values(array_filter(self::cases(), static fn (self $part): bool => $part->isFurther() === $isFurther));
    }

    /** It tells of setups by name, so it waits until a blind trial is revealed. */
    public function waitsForReveal(): bool
    {
        return in_array($this, [self::Questions, self::Lofts, self::Speeds, self::Strikes], true);
    }
}
