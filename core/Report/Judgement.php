<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Record\FittingRecord;

/**
 * Everything that screens look at of one state of a fitting. All parts share one belief for each set of shots, so a figure is the same on
 * every screen, and it is computed once. What few look at is `FurtherJudgement`.
 */
final readonly class Judgement
{
    /**
     * @param  int  $n  shots that count
     * @param  Part  $comparison  `CompareReport`
     * @param  Part  $judging  `JudgingReport`
     * @param  Part  $advice  `AdviceReport`
     * @param  Part  $finder  `FinderReport`, of what the brief presets
     * @param  Part  $answer  `AnswerReport`
     */
    private function __construct(
        public int $n, public Part $comparison, public Part $judging, public Part $advice, public Part $finder, public Part $answer,
        public NextStep $step,
    ) {
    }

    public static function of(FittingRecord $record): self
    {
        $finder = Part::by(static fn (): array => FinderReport::of($record));
        $advice = Part::by(static fn (): array => AdviceReport::of($record));
        $step = $finder->figures['step'] ?? NextStep::of($record, null, false);

        return new self(
            $record->countedShots(),
            Part::by(static fn (): array => CompareReport::of($record)),
            Part::by(static fn (): array => JudgingReport::of($record)),
            $advice,
            $finder,
            Part::by(static fn (): array => AnswerReport::of($record, $advice, $finder, $step)),
            $step,
        );
    }

    /** @return array<string, mixed>|null the setup to hit next, as the finder tells it; null where there is none */
    public function next(): ?array
    {
        $tag = $this->finder->figures['next']['tag'] ?? null;
        foreach ($tag === null ? [] : $this->finder->figures['setups'] ?? [] as $setup) {
            if ($setup['tag'] === $tag) {
                return $setup;
            }
        }

        return null;
    }
}
