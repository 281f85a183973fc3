<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Flight\LaunchFlag;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Hits shots for a made-up player through the impact model, with scatter from a seeded source. Spreads are the player's own
 * (defaults are assumptions). A mishit is a strike 12–22 mm toward heel or toe and low. A head's own effect comes from its
 * name, so the same head always behaves the same.
 */
final class ShotMaker
{
    private int $swings = 0;

    private readonly SetupEffect $setup;

    public function __construct(Head|SetupEffect $setup, private readonly Hand $hand, private readonly Randomizer $random)
    {
        $this->setup = $setup instanceof Head ? new SetupEffect($setup) : $setup;
    }

    /**
     * A swing that no ball can have come from (topped, whiffed) is swung again, as a monitor sees nothing of it.
     *
     * @return array{launch: Launch, delivery: Delivery, strike: Strike, mishit: bool}
     */
    public function hit(PlayerModel $player): array
    {
        for ($try = 1; ; $try++) {
            try {
                return $this->swing($player);
            } catch (InvalidInput $e) {
                if ($try >= 20) {
                    throw $e;
                }
            }
        }
    }

    /** @return array{launch: Launch, delivery: Delivery, strike: Strike, mishit: bool} */
    private function swing(PlayerModel $player): array
    {
        $draw = fn (float $sd): float => $player->looseness * $sd * Normal::draw($this->random);
        $shared = $draw(1.0);
        $own = $draw(1.0);
        $mishit = Normal::uniform($this->random) < $player->mishitShare;
        $side = $this->random->getInt(0, 1) === 1 ? 1 : -1;
        [$toePeculiar, $highPeculiar, $spinPeculiar, $speedPeculiar] = $this->peculiarity($player->headPeculiarity);
        $s = $this->setup;
        $openDeg =
            (1 - $player->squares) * $s->soledFaceOpenDeg * $player->faceCarriesThrough * (1 - $player->steersAgainstFace) +
            $player->openPerMmToe * $s->cgToeMm;
        $loftDeg = ($player->squares * $s->squaredLoftDeg + (1 - $player->squares) * $s->soledLoftDeg) * $player->loftCarriesThrough
            + $player->loftPerMmBack * $s->cgBackMm;
        $speed = $player->clubSpeedMps * $this->freshness($player) + PlayerPriors::SPEED_MPS_PER_POINT * $s->swingWeightPoints;
        $this->swings++;
        $delivery = new Delivery(
            max(8.0, $speed + $draw($player->clubSpeedSdMps)),
            self::clip($player->attackDeg + $draw($player->attackSdDeg), 24),
            self::clip(
                $player->pathDeg + $player->pathSdDeg * ($player->faceWithPath * $shared + sqrt(1 - $player->faceWithPath ** 2) * $own),
                29,
            ),
            max(1.0, min(44.0, $player->dynamicLoftDeg + $loftDeg + $draw($player->dynamicLoftSdDeg))),
            self::clip($player->faceDeg + $this->hand->sign() * $openDeg + $player->faceSdDeg * $shared, 29),
        );
        $strike = new Strike(
            self::clip(
                $player->toeMm +
                    $toePeculiar -
                    0.3 * $s->swingWeightPoints +
                    ($mishit ? $side * Normal::uniform($this->random, 12.0, 22.0) : $draw($player->toeSdMm)),
                40,
            ),
            self::clip(
                $player->highMm + $highPeculiar + ($mishit ? -Normal::uniform($this->random, 3.0, 10.0) : $draw($player->highSdMm)),
                22,
            ),
        );
        $launch = (new Impact($s->head, $this->hand))->strike($delivery, $strike);
        if ($launch->flag() === LaunchFlag::Topped) {
            throw InvalidInput::of('launch', 'This ball was topped: no monitor sees it.');
        }

        return [
            'launch' => new Launch(
                $launch->ballSpeedMps * (1 + $speedPeculiar), $launch->launchDeg,
                min(14000.0, $launch->spinRpm * (1 + $spinPeculiar)), $launch->directionDeg, $launch->spinAxisDeg,
            ),
            'delivery' => $delivery, 'strike' => $strike, 'mishit' => $mishit,
        ];
    }

    /**
     * What a monitor sees of a shot, by field name in kept units, to three places.
     *
     * @param  array{launch: Launch, delivery: Delivery, strike: Strike, mishit: bool}  $hit
     * @param  bool  $clubData  does it see the club too?
     * @return array<string, float>
     */
    public static function seen(array $hit, bool $clubData = true): array
    {
        [$ball, $club, $strike] = [$hit['launch'], $hit['delivery'], $hit['strike']];
        $values = [
            'ballSpeedMps' => $ball->ballSpeedMps, 'launchDeg' => $ball->launchDeg, 'spinRpm' => $ball->spinRpm,
            'directionDeg' => $ball->directionDeg, 'spinAxisDeg' => $ball->spinAxisDeg,
        ];
        if ($clubData) {
            $values += [
                'clubSpeedMps' => $club->clubSpeedMps, 'attackDeg' => $club->attackDeg, 'pathDeg' => $club->pathDeg,
                'strikeToeMm' => $strike->toeMm, 'strikeHighMm' => $strike->highMm,
            ];
        }

        return array_map(static fn (float $v): float => round($v, 3), $values);
    }

    private function freshness(PlayerModel $player): float
    {
        $cold = $player->warmUpSwings > 0 ? 0.03 * max(0.0, 1 - $this->swings / $player->warmUpSwings) : 0.0;

        return 1 - $cold - $player->tiringPerSwing * max(0, $this->swings - 20);
    }

    /** @return array{float, float, float, float} toe mm, high mm, spin share, ball speed share */
    private function peculiarity(float $size): array
    {
        if ($size <= 0) {
            return [0.0, 0.0, 0.0, 0.0];
        }
        $own = new Randomizer(new Mt19937(crc32($this->setup->headKey)));

        return [
            $size * 2.4 * Normal::draw($own), $size * 2.4 * Normal::draw($own), $size * 0.056 * Normal::draw($own),
            $size * 0.006 * Normal::draw($own),
        ];
    }

    private static function clip(float $value, float $limit): float
    {
        return max(-$limit, min($limit, $value));
    }
}
