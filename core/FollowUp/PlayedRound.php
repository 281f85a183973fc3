<?php

declare(strict_types=1);

namespace MintCarry\Core\FollowUp;

use MintCarry\Core\Errors\InvalidInput;

use function in_array;

/** A round as the player tells it: the driving holes, what became of the drives, and two of them measured, in m. */
final readonly class PlayedRound
{
    /** More holes than these are not driven on in a round. */
    public const MOST_HOLES = 18;

    public const DRIVE_M = [50.0, 400.0];

    public const CLUBS = ['new', 'before'];

    /**
     * @param  string  $course  as it is written; capitals and spaces make no other course (`courseKey`)
     * @param  'new'|'before'  $club  the fitted club, or the one before
     * @param  list<float>  $drivesM  measured, to where they lay
     * @param  int|null  $feel  1 to 5
     */
    private function __construct(
        public string $course, public string $club, public int $holes, public int $hit, public int $left, public int $right, public int $lost,
        public array $drivesM, public ?int $feel,
    ) {
    }

    /**
     * @param  list<float>  $drivesM
     *
     * @throws InvalidInput naming what cannot be
     */
    public static function of(
        string $course, string $club, int $holes, int $hit, int $left, int $right, int $lost, array $drivesM = [], ?int $feel = null,
    ): self {
        if (trim($course) === '' || mb_strlen($course) > 120) {
            throw InvalidInput::of('course', 'Type the course, in up to 120 letters: fairways are compared on the same course.');
        }
        if (! in_array($club, self::CLUBS, true)) {
            throw InvalidInput::of('club', 'It was played with the new club or with the one before.');
        }
        if ($holes < 1 || $holes > self::MOST_HOLES) {
            throw InvalidInput::of('holes', sprintf('A round has 1 to %d holes that are driven on, not %d.', self::MOST_HOLES, $holes));
        }
        foreach (['hit' => $hit, 'left' => $left, 'right' => $right, 'lost' => $lost] as $field => $count) {
            if ($count < 0 || $count > $holes) {
                throw InvalidInput::of($field, "{$count} of {$holes} drives cannot be; it is 0 to {$holes}.");
            }
        }
        if ($hit + $left + $right > $holes) {
            throw InvalidInput::of('hit', sprintf(
                '%d on the fairway, %d left and %d right are %d drives on %d holes: one of them is too many.', $hit, $left, $right,
                $hit + $left + $right,
                $holes,
            ));
        }
        if ($lost > $holes - $hit) {
            throw InvalidInput::of('lost', "{$lost} lost and {$hit} on the fairway are more than {$holes} drives.");
        }
        foreach ($drivesM as $drive) {
            InvalidInput::requireWithin('drives', $drive, self::DRIVE_M[0], self::DRIVE_M[1], 'm');
        }
        if ($feel !== null && ($feel < 1 || $feel > 5)) {
            throw InvalidInput::of('feel', 'How it feels is 1 to 5.');
        }

        return new self(trim($course), $club, $holes, $hit, $left, $right, $lost, $drivesM, $feel);
    }

    /** The same course however it is written. */
    public function courseKey(): string
    {
        return self::keyOf($this->course);
    }

    public static function keyOf(string $course): string
    {
        return trim((string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', mb_strtolower($course)));
    }
}
