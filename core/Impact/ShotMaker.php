<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Statistics\Normal;

/**
 * Hits shots for a made-up player through the impact model, with scatter from a seeded source. Spreads (SD, assumption): club speed 0.56 m/s, attack 1.1°,
 * path 1.5°, face 2.2°, dynamic loft 1.2°, strike 7 and 5.5 mm; face and path correlated 0.3. A mishit is a strike 12–22 mm toward heel or toe and low.
 */
final readonly class ShotMaker
{
    public function __construct(private Head $head, private Hand $hand, private \Random\Randomizer $random)
    {
    }

    /** @return array{launch: Launch, delivery: Delivery, strike: Strike, mishit: bool} */
    public function hit(PlayerModel $player): array
    {
        $draw = fn (float $sd): float => $player->looseness * $sd * Normal::draw($this->random);
        $shared = $draw(1.0);
        $mishit = Normal::uniform($this->random, 0.0, 1.0) < $player->mishitShare;
        $heelOrToe = $this->random->getInt(0, 1) === 1 ? 1 : -1;
        $delivery = new Delivery(
            $player->clubSpeedMps + $draw(0.56),
            $player->attackDeg + $draw(1.1),
            $player->pathDeg + 1.5 * (0.3 * $shared + 0.954 * $draw(1.0)),
            max(3.0, $player->dynamicLoftDeg + $draw(1.2)),
            $player->faceDeg + 2.2 * $shared,
        );
        $strike = new Strike(
            max(-30.0, min(30.0, $player->toeMm + ($mishit ? $heelOrToe * Normal::uniform($this->random, 12.0, 22.0) : $draw(6.0)))),
            max(-18.0, min(18.0, $player->highMm + ($mishit ? -Normal::uniform($this->random, 3.0, 10.0) : $draw(5.0)))),
        );

        return ['launch' => (new Impact($this->head, $this->hand))->strike($delivery, $strike), 'delivery' => $delivery, 'strike' => $strike, 'mishit' => $mishit];
    }
}
