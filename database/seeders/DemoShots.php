<?php

declare(strict_types=1);

namespace Database\Seeders;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Impact\ShotMaker;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Shots of made-up players from a seeded source, through the impact model. Used by the demo data and for the files in examples/. */
final readonly class DemoShots
{
    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /**
     * @param  bool  $club  does this monitor read the club?
     * @param  BallFlight|null  $tracks  the flight as this monitor tells it; null where it tells none
     * @return list<array<string, float>> measured values by field name, rounded as a monitor shows them
     */
    public function hit(PlayerModel $player, Head $head, Hand $hand, int $count, bool $club, ?BallFlight $tracks = null): array
    {
        $maker = new ShotMaker($head, $hand, $this->random);
        $shots = [];
        for ($i = 0; $i < $count; $i++) {
            $hit = $maker->hit($player);
            $launch = $hit['launch'];
            $shot = [
                'ballSpeedMps' => round($launch->ballSpeedMps, 2),
                'launchDeg' => round($launch->launchDeg, 1),
                'directionDeg' => round($launch->directionDeg, 1),
                'spinRpm' => round($launch->spinRpm / 10) * 10,
                'spinAxisDeg' => round($launch->spinAxisDeg, 1),
                'clubSpeedMps' => round($hit['delivery']->clubSpeedMps, 2),
            ];
            if ($club) {
                $shot += [
                    'attackDeg' => round($hit['delivery']->attackDeg, 1), 'pathDeg' => round($hit['delivery']->pathDeg, 1),
                    'faceDeg' => round($hit['delivery']->faceDeg, 1),
                    'dynamicLoftDeg' => round($hit['delivery']->dynamicLoftDeg, 1), 'strikeToeMm' => round($hit['strike']->toeMm),
                    'strikeHighMm' => round($hit['strike']->highMm),
                ];
            }
            if ($tracks !== null) {
                $flown = $tracks->fly($launch);
                $shot += ['carryM' => round($flown->carryM, 1), 'apexM' => round($flown->apexM, 1)];
            }
            $shots[] = $shot;
        }

        return $shots;
    }
}
