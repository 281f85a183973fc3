<?php

declare(strict_types=1);

namespace App\Data;

use App\Live\ChangeSignal;
use App\Models\Bay;
use App\Models\BinEntry;
use App\Models\Fitting;
use App\Models\ImportFile;
use App\Models\Part;
use App\Models\Player;
use App\Models\RackHead;
use App\Models\Sleeve;
use App\Models\User;
use App\Support\Transaction;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * What is thrown away is out of sight at once and comes back for a day; then it is gone. What stands on the rack is retired and no more:
 * setups that were hit with it go on naming it.
 */
final readonly class Bin
{
    private const HOURS = 24;

    /** What is put out of sight, by the column that does it. */
    private const COLUMN = [
        'players' => 'binned_at', 'fittings' => 'binned_at', 'import_files' => 'binned_at', 'heads' => 'retired_at',
        'sleeves' => 'retired_at', 'parts' => 'retired_at',
    ];

    public function __construct(private Remover $remover)
    {
    }

    public function throwAway(Model $record, User $by): BinEntry
    {
        return Transaction::run(function () use ($record, $by): BinEntry {
            [$items, $words] = self::of($record);
            foreach ($items as $table => $ids) {
                DB::table($table)->whereIn('id', $ids)->update([self::COLUMN[$table] => now()]);
            }
            // Nobody hits in a fitting that is thrown away: what a monitor sends now waits in the tray.
            $inBays = Bay::query()->whereIn('fitting_id', $items['fittings'] ?? [])->get();
            $inBays->each(fn (Bay $bay) => $bay->update(['fitting_id' => null]));
            foreach ($items['fittings'] ?? [] as $id) {
                DB::afterCommit(fn () => ChangeSignal::changed((new Fitting)->newFromBuilder(['id' => $id])));
            }

            return BinEntry::query()->create([
                'studio_id' => $record->getAttribute('studio_id'), 'user_id' => $by->id, 'words' => mb_strimwidth($words, 0, 290, '…'),
                'items' => $items, 'until' => now()->addHours(self::HOURS),
            ]);
        });
    }

    /** @throws ValidationException where it is too late, or something else has its name by now */
    public function restore(BinEntry $entry): void
    {
        Transaction::run(function () use ($entry): void {
            $now = BinEntry::query()->lockForUpdate()->findOrFail($entry->id);
            if ($now->restored_at !== null || $now->emptied_at !== null || $now->until->isPast()) {
                throw ValidationException::withMessages([
                    'entry' => $now->restored_at !== null ? 'That has come back already.' : 'That was thrown away more than a day ago and is gone.',
                ]);
            }
            try {
                foreach ($now->items as $table => $ids) {
                    DB::table($table)->whereIn('id', $ids)->update([self::COLUMN[$table] => null]);
                }
            } catch (UniqueConstraintViolationException) {
                throw ValidationException::withMessages([
                    'entry' => 'Something of that name stands on the rack by now: rename it first. Nothing was changed.',
                ]);
            }
            $now->update(['restored_at' => now()]);
        });
    }

    /** Ends what lay there for its day. */
    public function empty(): int
    {
        $due = BinEntry::query()->whereNull('restored_at')->whereNull('emptied_at')->where('until', '<', now())->get();
        foreach ($due as $entry) {
            Transaction::run(function () use ($entry): void {
                foreach ($entry->items['fittings'] ?? [] as $id) {
                    $this->remover->fitting($id);
                }
                foreach ($entry->items['import_files'] ?? [] as $id) {
                    $this->remover->file($id);
                }
                foreach ($entry->items['players'] ?? [] as $id) {
                    $this->remover->player($id);
                }
                $entry->update(['emptied_at' => now(), 'words' => 'emptied']);
            });
        }

        return $due->count();
    }

    /** @return list<int> */
    private static function fittingsOf(Player $player): array
    {
        return array_map(intval(...), array_values(Fitting::query()->where('player_id', $player->id)->pluck('id')->all()));
    }

    /** @return array{array<string, list<int>>, string} ids by table, and what it is in words */
    private static function of(Model $record): array
    {
        return match (true) {
            $record instanceof Player => [
                ['players' => [$record->id], 'fittings' => self::fittingsOf($record)],
                "{$record->name} with all fittings",
            ],
            $record instanceof Fitting => [
                ['fittings' => [$record->id]],
                "the fitting of {$record->player->name} of {$record->created_at->format('j F Y')}",
            ],
            $record instanceof ImportFile => [['import_files' => [$record->id]], "the file {$record->name}; its shots stay"],
            $record instanceof RackHead => [['heads' => [$record->id]], "the head {$record->label}"],
            $record instanceof Sleeve => [['sleeves' => [$record->id]], "the sleeve {$record->name}"],
            $record instanceof Part => [['parts' => [$record->id]], "the {$record->kind} {$record->label}"],
            default => throw new \LogicException('Nothing of this kind is thrown away.'),
        };
    }
}
