<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;

/**
 * What the player said of a setup before seeing its numbers, 1 to 5.
 *
 * @property int $id
 * @property int $setup_id
 * @property int $trial_id
 * @property string $kind
 * @property int $stars
 */
final class Rating extends Model
{
    use BelongsToStudio, Journaled;

    public const KINDS = ['looks', 'feel', 'sound', 'confidence'];

    protected $guarded = [];

    /** @return array<int, array<string, float>> mean of what the player said, by setup and kind; of a blind trial when it is revealed */
    public static function meansOf(Fitting $fitting): array
    {
        $out = [];
        $rows = self::query()->toBase()->where('fitting_id', $fitting->id)->whereNotIn('trial_id', Trial::hidden())
            ->selectRaw('setup_id, kind, avg(stars) as stars')->groupBy('setup_id', 'kind')->get();
        foreach ($rows as $row) {
            $out[(int) $row->setup_id][(string) $row->kind] = (float) $row->stars;
        }

        return $out;
    }
}
