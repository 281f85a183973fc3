<?php

declare(strict_types=1);

namespace MintCarry\Core\Gaps;

use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Launch\LaunchShot;

use function in_array;
use function mb_strlen;
use function trim;

/** One of the long clubs beside or under the driver: what it presents, and the shots that were measured with it. */
final readonly class LongClub
{
    public const KINDS = ['driver', 'fairway wood', 'hybrid', 'iron'];

    public const LONGEST_NAME = 60;

    /**
     * @param  HeadReading  $reading  as read, or as printed, at the position it is played in
     * @param  SleeveSystem|null  $sleeve  null: it cannot be turned
     * @param  list<LaunchShot>  $shots  that count
     *
     * @throws InvalidInput
     */
    public function __construct(
        public string $name, public string $kind, public HeadReading $reading, public ?SleeveSystem $sleeve = null,
        public string $position = '',
        public array $shots = [],
    ) {
        if (trim($name) === '' || mb_strlen($name) > self::LONGEST_NAME) {
            throw InvalidInput::of('name',
                trim($name) === '' ? 'The club wants a name.' : 'The name is too long: '.self::LONGEST_NAME.' letters fit.');
        }
        if (! in_array($kind, self::KINDS, true)) {
            throw InvalidInput::of('kind', "'{$kind}' is no kind of club; use fairway wood, hybrid or iron.");
        }
        $sleeve?->position($position);
    }

    /** @param  list<LaunchShot>  $shots  instead of its own */
    public function with(array $shots): self
    {
        return new self($this->name, $this->kind, $this->reading, $this->sleeve, $this->position, $shots);
    }

    /**
     * Loft that it presents at a position, °, by the same exact geometry as a driver's.
     *
     * @param  string|null  $position  null: as it is played
     * @param  float  $squaringShare  0 … 1
     */
    public function loftDeg(float $squaringShare, ?string $position = null): float
    {
        return $this->presents($squaringShare, $position)->loftDeg;
    }

    public function presents(float $squaringShare, ?string $position = null): PlayingGeometry
    {
        if ($this->sleeve === null) {
            return PlayingGeometry::present($this->reading, [], $squaringShare);
        }

        return PlayingGeometry::present(
            $this->reading, $this->sleeve->position($position ?? $this->position)->tilts, $squaringShare,
            $this->sleeve->position($this->position)->tilts,
        );
    }
}
