<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use ArrayObject;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use MintCarry\Core\Air\OpenAir;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\LaunchShot;
use WeakMap;

/**
 * One recorded shot. `measured` holds what was measured, in kept units by field name; `typed` the cells as they stood.
 * What can be computed is computed on reading, so it is never out of date.
 *
 * @property int $id
 * @property int $fitting_id
 * @property int $setup_id
 * @property int|null $import_file_id
 * @property string $source typed, csv, monitor, file or simulated
 * @property int $sequence
 * @property int|null $line
 * @property string $shot_key
 * @property string|null $client_id
 * @property int|null $trial_id
 * @property int|null $bay_id
 * @property string|null $sender_id the sender's own id, to the byte
 * @property string|null $sender_session the sending session that the id holds in
 * @property int|null $sender_sequence
 * @property int $sender_run how often the sender's count had begun anew
 * @property string|null $content tells what was sent from anything else
 * @property string|null $beside JSON of what else was sent
 * @property string $intent
 * @property array<string, float|int> $measured
 * @property array<string, mixed> $typed
 * @property list<string> $flags
 * @property string|null $hit_at
 * @property string|null $note
 * @property Carbon|null $created_at
 * @property string|null $left_out_reason
 * @property string|null $left_out_note
 * @property int|null $left_out_by
 * @property Carbon|null $left_out_at
 */
final class Shot extends Model
{
    use BelongsToStudio, Journaled;

    /** @var WeakMap<BallFlight, ArrayObject<string, LaunchShot>>|null */
    private static ?WeakMap $flown = null;

    public const INTENTS = ['normal', 'full out', 'smooth', 'shaped on purpose'];

    public const REASONS = ['mishit', 'warm-up', 'ground contact', 'shaped on purpose', 'monitor error', 'other'];

    protected $guarded = [];

    protected function casts(): array
    {
        return ['measured' => 'array', 'typed' => 'array', 'flags' => 'array', 'left_out_at' => 'datetime'];
    }

    /** @return BelongsTo<Setup, $this> */
    public function setup(): BelongsTo
    {
        return $this->belongsTo(Setup::class);
    }

    /**
     * Without those of a blind trial that is not revealed yet: nobody judges by them before.
     *
     * @template T of \Illuminate\Contracts\Database\Query\Builder
     *
     * @param  T  $query
     * @return T
     */
    public static function revealed($query)
    {
        $query->where(fn ($q) => $q->whereNull('trial_id')->orWhereNotIn('trial_id', Trial::hidden()));

        return $query;
    }

    public function counts(): bool
    {
        return $this->left_out_reason === null;
    }

    /** The shot as the core takes it. Flown once for the same measured values in the same wind and air. */
    public function launchShot(BallFlight $flight, ?OpenAir $openAir = null): LaunchShot
    {
        return self::flown((string) ($this->attributes['measured'] ?? '{}'), $flight, $openAir);
    }

    /** The same of what was measured as the database has it, where a whole row would only cost time. */
    public static function flown(string $measured, BallFlight $flight, ?OpenAir $openAir = null): LaunchShot
    {
        self::$flown ??= new WeakMap;
        /** @var ArrayObject<string, LaunchShot> $known */
        $known = self::$flown[$flight] ??= new ArrayObject;
        $raw = $openAir?->key().$measured;

        return $known[$raw] ??= LaunchShot::of(
            array_map(floatval(...), (array) json_decode($measured, true, flags: JSON_THROW_ON_ERROR)), $flight, $openAir,
        );
    }
}
