<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Impact\SetupEffect;
use MintCarry\Core\Impact\ShotMaker;
use MintCarry\Core\Launch\LaunchShot;
use Random\Engine\Mt19937;
use Random\Randomizer;

// Two heads in three positions and with two weights each, an own club, and shots that a made-up player hits with them.

function rackOf(Hand $hand = Hand::Right): array
{
    $out = [];
    foreach (['Tern 460' => 0.0, 'Plover 445' => 0.8] as $head => $more) {
        foreach ([-1.5, 0.0, 1.5] as $p) {
            foreach ([-3.0, 3.0] as $toe) {
                $out[] = new SetupSpec(
                    "{$head}/{$p}/{$toe}", $head, new Head(loftDeg: 10.5, cgToeMm: $toe, cgBackMm: 35 + 4 * $more),
                    10.5 + $more + $p, 10.5 + $more, -0.6 * $p, (string) $p, (string) $toe, hand: $hand,
                );
            }
        }
    }

    return $out;
}
function ownClub(Hand $hand = Hand::Right): SetupSpec
{
    return new SetupSpec('A', 'Curlew L', new Head, 10.5, 10.5, 0.0, hand: $hand);
}
/** @return list<LaunchShot> */
function hitWith(SetupSpec $spec, PlayerModel $player, int $n, int $seed, bool $club = true): array
{
    $own = ownClub($spec->hand);
    $effect = new SetupEffect(
        $spec->body, $spec->head, $spec->squaredLoftDeg - $own->squaredLoftDeg, $spec->soledFaceOpenDeg - $own->soledFaceOpenDeg,
        $spec->body->cgBackMm - $own->body->cgBackMm, $spec->body->cgToeMm - $own->body->cgToeMm,
    );
    $maker = new ShotMaker($effect, $spec->hand, new Randomizer(new Mt19937($seed)));
    $flight = new BallFlight;

    return array_map(fn (int $i): LaunchShot => LaunchShot::of(ShotMaker::seen($maker->hit($player), $club), $flight), range(1, $n));
}
