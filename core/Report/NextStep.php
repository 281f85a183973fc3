<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Fitting\Wanted;
use MintCarry\Core\Judging\Verdicts;
use MintCarry\Core\Record\FittingRecord;

/**
 * The one thing to do next, the same on every screen: hit the own club first; then settle whose swings those were, where a trial's speed
 * is far off; then enough of what is in the hand; then the benchmark again,
 * where the player has become another; then what the finder wants to know, until more shots would not pay.
 */
final readonly class NextStep
{
    /** A trial tells something from so many shots on. */
    public const SHOTS = 4;

    /**
     * @param  string  $kind  baseline, settle, more, benchmark, hit, stop, or none where the rack offers nothing to hit
     * @param  string|null  $tag  of the setup it is about; for hit: of the candidate
     * @param  int|null  $shots  how many more
     */
    private function __construct(public string $kind, public ?string $tag = null, public ?int $shots = null, public ?string $why = null)
    {
    }

    /**
     * @param  string|null  $candidate  what the finder would hit next
     * @param  bool  $mayStop  would more shots not pay?
     */
    public static function of(FittingRecord $record, ?string $candidate, bool $mayStop): self
    {
        if ($record->setups === []) {
            return new self('baseline');
        }
        $sets = $record->sets();
        $own = $record->own()->tag;
        if (! isset($sets[$own])) {
            return new self('baseline', $own, self::SHOTS);
        }
        $inHand = $record->inHand;
        $words = Verdicts::among($sets, $record->benchmark, Wanted::of($record->brief, $record->hand), $record->speedsInOrder());
        foreach ([$record->benchmark, $inHand] as $tag) {
            if (($words->withheld[$tag ?? ''] ?? null)?->why === 'farOff') {
                return new self('settle', $tag, why: 'farOff');
            }
        }
        $hit = $inHand === null || ! isset($sets[$inHand]) ? 0 : ($sets[$inHand]->byVisit()[$record->lastVisit()] ?? null)?->count() ?? 0;
        if ($inHand !== null && $hit < self::SHOTS) {
            return new self('more', $inHand, self::SHOTS - $hit);
        }
        foreach ($words->withheld as $tag => $withheld) {
            if ($inHand === null || $tag === $inHand) {
                return new self('benchmark', $record->benchmark, self::SHOTS, $withheld->why);
            }
        }

        return match (true) {
            $mayStop => new self('stop'),
            $candidate !== null => new self('hit', $candidate, self::SHOTS),
            default => new self('none'),
        };
    }
}
