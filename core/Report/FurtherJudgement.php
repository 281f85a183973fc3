<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Record\FittingRecord;

/** The parts of a judgement that few look at. They rest on the belief and the draws of `Judgement`, where both are made of one record. */
final readonly class FurtherJudgement
{
    /**
     * @param  Part  $grounds  `DecideReport::withoutSchools`
     * @param  Part  $schools  `DecideReport::schoolsOf`
     * @param  Part  $questions  `LoftAndWind`
     * @param  Part  $lofts  `LoftLadder`
     * @param  Part  $speeds  `SpeedLadder`
     * @param  Part  $strikes  `StrikeMover`
     */
    private function __construct(
        public Part $grounds, public Part $schools, public Part $questions, public Part $lofts, public Part $speeds, public Part $strikes,
    ) {
    }

    public static function of(FittingRecord $record): self
    {
        return new self(
            Part::by(static fn (): array => DecideReport::withoutSchools($record)),
            Part::by(static fn (): array => DecideReport::schoolsOf($record)),
            Part::by(static fn (): array => LoftAndWind::of($record)),
            Part::by(static fn (): array => LoftLadder::of($record)),
            Part::by(static fn (): array => SpeedLadder::of($record)),
            Part::by(static fn (): array => StrikeMover::of($record)),
        );
    }
}
