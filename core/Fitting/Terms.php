<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

/** What a decision is made on beside the shots: which is the own club, and what each setup takes to be played. */
final readonly class Terms
{
    /**
     * @param  string|null  $own  tag of the own club; null: the benchmark
     * @param  array<string, Option>  $options  by tag; of what is not there nothing is known but that it has to be bought
     */
    public function __construct(public ?string $own = null, private array $options = [])
    {
    }

    public function of(string $tag, bool $isBarred): Option
    {
        $known = $this->options[$tag] ?? new Option;

        return new Option($isBarred, $known->effort, $known->price);
    }
}
