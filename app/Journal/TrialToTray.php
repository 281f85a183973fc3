<?php

declare(strict_types=1);

namespace App\Journal;

use App\Models\HeldShot;
use App\Models\LogEntry;
use App\Models\Shot;
use App\Models\Trial;
use stdClass;

/**
 * What becomes of the shots of a trial whose beginning is taken back: those of the monitor go to the tray, for nobody knows any more which
 * club they were hit with; those that were typed or read from a file name their setup themselves and stay with it. Every step is written
 * down, so it can be taken back too.
 */
final readonly class TrialToTray
{
    public function __construct(private Journal $journal)
    {
    }

    /** @return string|null why it cannot be done; null where it was */
    public function move(Trial $trial): ?string
    {
        $shots = Shot::query()->where('trial_id', $trial->id)->orderBy('sequence')->lockForUpdate()->get();
        $why = self::why($trial);
        if ($why !== null) {
            return $why;
        }
        foreach (HeldShot::query()->where('trial_id', $trial->id)->get() as $held) {
            $held->update(['trial_id' => null]);
        }
        foreach ($shots as $shot) {
            if ($shot->bay_id === null) {
                $shot->update(['trial_id' => null]);
            } else {
                $this->hold($shot, $trial);
            }
        }

        return null;
    }

    /** Why the beginning of a trial cannot be taken back; null where it can. It only reads. */
    private static function why(Trial $trial): ?string
    {
        $moved = self::movedIn([$trial->id], [$trial->fitting_id])[$trial->id] ?? [];

        return $moved === [] ? null : sprintf(
            'Shots that are not its own were moved into trial %d (%s): move them out first.', $trial->number,
            Shot::query()->whereIn('id', $moved)->orderBy('sequence')->pluck('sequence')->implode(', '),
        );
    }

    /**
     * Of these trials, those that shots were moved into. It only reads.
     *
     * @param  list<stdClass>  $trials  rows
     * @return list<int>
     */
    public static function movedInto(array $trials): array
    {
        return array_keys(self::movedIn(array_column($trials, 'id'), array_values(array_unique(array_column($trials, 'fitting_id')))));
    }

    /** A shot that had been in the tray goes back to its own place there. */
    private function hold(Shot $shot, Trial $trial): void
    {
        $was = HeldShot::query()->where('shot_id', $shot->id)->get();
        foreach ($was as $held) {
            $held->update(['settled_at' => null, 'settled_how' => null, 'settled_by' => null, 'shot_id' => null]);
        }
        if ($was->isEmpty()) {
            $beside = json_decode($shot->beside ?? '[]', true);
            HeldShot::query()->create([
                'studio_id' => $shot->studio_id, 'bay_id' => $shot->bay_id, 'fitting_id' => $shot->fitting_id,
                'sender_id' => $shot->sender_id, 'sender_session' => $shot->sender_session, 'content' => $shot->content,
                'sender_sequence' => $shot->sender_sequence, 'source' => $shot->source,
                'reason' => "Trial {$trial->number} with {$trial->setup->tag} was taken back: say what it was hit with.",
                'body' => json_encode(
                    array_filter([
                        'id' => $shot->sender_id ?? "shot {$shot->id}", 'session' => $shot->sender_session,
                        'sequence' => $shot->sender_sequence, 'at' => $shot->hit_at, 'source' => $shot->source,
                    ], static fn (mixed $v): bool => $v !== null)
                        + ['values' => (object) $shot->typed] + (is_array($beside) ? $beside : []),
                    JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
                ),
            ]);
        }
        // As the row stands, to the letter: what is put in again is what was there.
        $this->journal->track('shots', $shot->id, $shot->getRawOriginal(), null);
        $shot->newQuery()->toBase()->where('id', $shot->id)->delete();
    }

    /**
     * @param  array<int>  $trials
     * @param  array<int>  $fittings  theirs
     * @return array<int, list<int>> shots that stand in a trial because the log says that they were moved into it, by trial
     */
    private static function movedIn(array $trials, array $fittings): array
    {
        $moves = $out = [];
        $entries = $trials === [] ? [] : LogEntry::query()->whereIn('fitting_id', $fittings)->whereNull('undone_at')
            ->where('words', 'like', '%moved shot%')->get(['changes']);
        foreach ($entries as $entry) {
            foreach ($entry->changes as $change) {
                $to = (int) ($change['after']['trial_id'] ?? 0);
                if ($change['table'] === 'shots' && $change['before'] !== null && in_array($to, $trials, true)) {
                    $moves[$change['id']][$to] = true;
                }
            }
        }
        foreach ($moves === [] ? [] : Shot::query()->whereIn('id', array_keys($moves))->pluck('trial_id', 'id') as $shot => $trial) {
            if (isset($moves[$shot][$trial])) {
                $out[(int) $trial][] = (int) $shot;
            }
        }

        return $out;
    }
}
