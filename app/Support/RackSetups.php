<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Fitting;
use App\Models\RackHead;
use App\Models\Setup;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\Weights;
use MintCarry\Core\CoreException;
use MintCarry\Core\Judging\Built;

/** Every legal setup that the rack offers this player: heads of the hand, sleeve positions, weight arrangements, with the shaft, length and ball of the own club. */
final class RackSetups
{
    /** Arrangements taken of each head: the standard one, and those that move the CG furthest apart. */
    private const ARRANGEMENTS = 12;

    /** @var list<Built> */
    public array $built = [];

    /** @var array<string, array{headId: int, sleeve: string, masses: array<string, float>, weights: string, inStock: bool, orderable: bool, price: float|null, currency: string, setupTag: string|null}> by tag */
    public array $about = [];

    /** @var list<string> what of the rack could not be used, and why */
    public array $left = [];

    /**
     * @param  array<int, Setup>  $setups  of the fitting, by id
     * @param  string  $only  all, stock (what is in the studio), or own (the head of the own club: no purchase)
     */
    public function __construct(Fitting $fitting, array $setups, Setup $own, string $only)
    {
        $heads = RackHead::query()->where('studio_id', $fitting->studio_id)->whereNull('retired_at')->where('hand', $fitting->player->hand->value)->with(['sleeve', 'readings'])->orderBy('id')->get();
        $hit = [];
        foreach ($setups as $setup) {
            if ($setup->head_id !== null) {
                $hit[self::key($setup->head_id, $setup->sleeve_label, $setup->masses ?? [])] ??= $setup;
            }
        }
        foreach ($heads as $head) {
            $inStock = (bool) ($head->supply['inStock'] ?? true);
            if (($only === 'own' && $head->id !== $own->head_id) || ($only === 'stock' && ! $inStock)) {
                continue;
            }
            try {
                $straight = $head->gauged()->straight();
                $arrangements = self::arrangements($head);
                foreach ($head->system()->positions as $position) {
                    foreach ($arrangements as $masses) {
                        $same = $hit[self::key($head->id, $position->label, $masses)] ?? null;
                        $weights = implode(', ', array_map(fn (string $slot, float $g): string => sprintf('%g g %s', $g, $slot), array_keys($masses), array_values($masses)));
                        $tag = $same->tag ?? "{$head->id}/{$position->label}/{$weights}";
                        [$squared, $soled] = [PlayingGeometry::present($straight, $position->tilts, 1.0), PlayingGeometry::present($straight, $position->tilts, 0.0)];
                        $this->built[] = new Built($tag, $head->label, $head->bodyWith($masses), $squared->loftDeg, $soled->loftDeg, $soled->faceOpenDeg, $position->label, $weights, $own->shaft, $own->length_mm, $own->ball, $own->tee_mm, $own->cue, null, false, in_array('CG', $head->assumed(), true), $fitting->player->hand);
                        $this->about[$tag] = ['headId' => $head->id, 'sleeve' => $position->label, 'masses' => $masses, 'weights' => $weights, 'inStock' => $inStock, 'orderable' => isset($head->supply['leadDays']) || $inStock, 'price' => isset($head->supply['price']) ? (float) $head->supply['price'] : null, 'currency' => (string) ($head->supply['currency'] ?? ''), 'setupTag' => $same?->tag];
                    }
                }
            } catch (CoreException $e) {
                $this->left[] = "{$head->label}: {$e->getMessage()}";
            }
        }
    }

    /** @param  array<string, float>  $masses */
    private static function key(int $head, string $sleeve, array $masses): string
    {
        ksort($masses);

        return "{$head}/{$sleeve}/".json_encode(array_map(floatval(...), $masses));
    }

    /** @return list<array<string, float>> */
    private static function arrangements(RackHead $head): array
    {
        $standard = array_map(floatval(...), $head->standard);
        ksort($standard);
        $slots = $head->weightSlots();
        if ($slots === []) {
            return [[]];
        }
        $mass = array_sum($standard);
        $rest = [];
        foreach (Weights::arrangements($slots, $head->stock_g, 400) as $masses) {
            $masses = array_map(floatval(...), $masses);
            ksort($masses);
            // Another total mass is another swing weight: only what stays within 4 g of the standard is offered.
            if ($masses != $standard && abs(array_sum($masses) - $mass) <= 4.0) {
                $body = $head->bodyWith($masses);
                $rest[] = [$masses, $body->cgToeMm, $body->cgBackMm];
            }
        }
        $chosen = [$standard];
        $body = $head->bodyWith($standard);
        $at = [[$body->cgToeMm, $body->cgBackMm]];
        while ($rest !== [] && count($chosen) < self::ARRANGEMENTS) {
            $far = array_map(fn (array $r): float => min(array_map(fn (array $a): float => hypot($a[0] - $r[1], $a[1] - $r[2]), $at)), $rest);
            $i = (int) array_search(max($far), $far, true);
            $chosen[] = $rest[$i][0];
            $at[] = [$rest[$i][1], $rest[$i][2]];
            array_splice($rest, $i, 1);
        }

        return $chosen;
    }
}
