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

    /** For so long after a trial the player is still there to be asked. */
    private const ASKED_HOURS = 12;

    /** @return list<array{trialId: int, tag: string}> setups of today whose confidence nobody asked for, by their last trial */
    public static function missingOf(Fitting $fitting): array
    {
        if (! $fitting->asks_ratings) {
            return [];
        }
        $rated = self::query()->where('fitting_id', $fitting->id)->where('kind', 'confidence')->select('setup_id');
        $trials = Trial::query()->with('setup')->where('fitting_id', $fitting->id)->where('kind', 'trial')
            ->where('created_at', '>=', now()->subHours(self::ASKED_HOURS))
            ->whereNotIn('id', Trial::hidden())->whereNotIn('setup_id', $rated)->whereHas('shots')->orderBy('number')->get();
        $out = [];
        foreach ($trials as $trial) {
            $out[$trial->setup_id] = $trial->rating_skipped ? null : ['trialId' => $trial->id, 'tag' => $trial->setup->tag];
        }

        return array_values(array_filter($out));
    }
}
