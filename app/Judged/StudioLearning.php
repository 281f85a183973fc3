<?php

declare(strict_types=1);

namespace App\Judged;

use App\Fittings\FittingLoader;
use App\Models\Fitting;
use App\Models\Memory;
use App\Models\Studio;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Finder\Belief;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Memory\LearnedFitting;
use MintCarry\Core\Memory\Learning;
use MintCarry\Core\Memory\Replay;
use MintCarry\Core\Memory\StudioMemory;

/**
 * Learns what a studio's fittings show of its heads. Each fitting is looked at again only when its shots, setups or readings changed. What
 * was learned is a version of its own: no fitting that began before moves by it.
 */
final class StudioLearning
{
    /** A head that fewer fittings hit is told to nobody, and believed by nobody. */
    public const FROM_FITTINGS = 5;

    /** @return Memory|null the newest version; null where the studio remembers nothing, or no head was hit often enough */
    public function learn(Studio $studio): ?Memory
    {
        if (! $studio->remembers) {
            return null;
        }
        $lessons = $this->lessons($studio);
        $learned = self::learned($lessons);
        // What is given to others is of as many fittings as make whole fives.
        $given = self::learned(array_slice($lessons, 0, StudioMemory::inFives(count($lessons))))->forOthers();
        $others = StudioMemory::from($studio->memory_of_others ?? []);
        $learned = $others === null ? $learned : $learned->with($others);
        $latest = Memory::latest($studio);
        // Stored as it will be read, so that the same learned twice is one version.
        $content = json_decode(json_encode([
            ...$learned->toArray(), 'replay' => Replay::of($lessons, Belief::usualFactors(), self::FROM_FITTINGS), 'given' => $given->toArray(),
        ], JSON_THROW_ON_ERROR), true, 512, JSON_THROW_ON_ERROR);
        // Where too little is left, such as after an erasure, the next version says nothing.
        if ($latest === null ? $learned->heads === [] : $latest->content == $content) {
            return $latest;
        }
        $version = (int) Memory::query()->where('studio_id', $studio->id)->max('version') + 1;

        // Two who learn at once learn the same.
        return Memory::query()->createOrFirst(['studio_id' => $studio->id, 'version' => $version], ['content' => $content]);
    }

    /** @param  list<LearnedFitting>  $lessons */
    private static function learned(array $lessons): StudioMemory
    {
        return Learning::of($lessons, Belief::usualFactors())->ofHeadsHitIn(self::FROM_FITTINGS);
    }

    /** Nothing that was learned so far enters a fitting any more. What earlier fittings rest on stays with them. */
    public function forget(Studio $studio): void
    {
        $studio->update(['memory_of_others' => null]);
        Memory::query()->where('studio_id', $studio->id)->whereNull('forgotten_at')->update(['forgotten_at' => now()]);
        DB::table('lessons')->whereIn('fitting_id', Fitting::query()->withTrashed()->where('studio_id', $studio->id)->select('id'))->delete();
    }

    /** @return list<LearnedFitting> in the order of the fittings */
    private function lessons(Studio $studio): array
    {
        $fittings = Fitting::query()
            ->where('studio_id', $studio->id)->whereNull('practice')->whereHas('player', fn ($q) => $q->whereNull('erased_at'))
            ->whereHas('shots')->with(['player', 'studio'])->orderBy('created_at')->orderBy('id');
        $forgotten = Memory::query()->where('studio_id', $studio->id)->max('forgotten_at');
        if ($forgotten !== null) {
            $fittings->where('created_at', '>', $forgotten);
        }
        $kept = DB::table('lessons')->whereIn('fitting_id', (clone $fittings)->reorder()->select('id'))->get()->keyBy('fitting_id');
        $out = [];
        foreach ($fittings->lazy(100) as $fitting) {
            $state = self::stateOf($fitting);
            $known = $kept[$fitting->id] ?? null;
            if ($known === null || $known->state !== $state) {
                $lesson = $this->lessonOf($fitting, $studio);
                $content = $lesson === null ? null : json_encode($lesson->toArray(), JSON_THROW_ON_ERROR);
                DB::table('lessons')->upsert(['fitting_id' => $fitting->id, 'state' => $state, 'content' => $content], 'fitting_id');
                $known = (object) ['content' => $content];
            }
            if ($known->content !== null) {
                $out[] = LearnedFitting::from(json_decode((string) $known->content, true, 512, JSON_THROW_ON_ERROR));
            }
        }

        return array_values(array_filter($out));
    }

    /** Shots that were made up teach only where everything is made up. */
    private function lessonOf(Fitting $fitting, Studio $studio): ?LearnedFitting
    {
        $record = (new FittingLoader($fitting))->record();
        if ($record->setups === [] || ($record->simulatedShots() > 0 && ! $studio->is_demo)) {
            return null;
        }
        try {
            return Search::modelled($record)?->lesson();
        } catch (ModelFailure|InvalidInput $e) {
            Log::warning("Fitting {$fitting->id} teaches nothing: {$e->getMessage()}");

            return null;
        }
    }

    private static function stateOf(Fitting $fitting): string
    {
        return FittingState::of($fitting)->key;
    }
}
