<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Sleeve;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\SleeveSystem;

/** @mixin Sleeve */
final class SleeveResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var Sleeve $sleeve */
        $sleeve = $this->resource;
        $head = new HeadReading(10.5);

        return [
            'id' => $sleeve->id, 'name' => $sleeve->name, 'spec' => $sleeve->spec,
            'heads' => (int) $sleeve->getAttribute('heads_count'),
        ] + self::geometry($sleeve->system($head), $head);
    }

    /**
     * What each position prints and what it is, and the setup plane for such a head.
     *
     * @return array{check: list<array<string, mixed>>, plane: array<string, mixed>}
     */
    public static function geometry(SleeveSystem $system, HeadReading $stated): array
    {
        return [
            'check' => $system->check($stated),
            'plane' => self::plane($system, PlayingGeometry::straighten($stated, $system->home()->tilts, AddressHabit::Soled)),
        ];
    }

    /** @return array<string, mixed> loft, face and lie at every position: on the sole, squared, and half-way */
    public static function plane(SleeveSystem $system, HeadReading $straight, float $squaringShare = 0.5): array
    {
        return [
            'home' => $system->home, 'squaringShare' => $squaringShare, 'soled' => $system->plane($straight, 0.0),
            'squared' => $system->plane($straight, 1.0), 'mixed' => $system->plane($straight, $squaringShare),
        ];
    }
}
