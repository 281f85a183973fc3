<?php

declare(strict_types=1);

namespace App\Judged;

use App\Fittings\ConfirmState;
use App\Fittings\FailureLog;
use App\Fittings\FittingLoader;
use App\Models\Blind;
use App\Models\Fitting;
use App\Support\Transaction;
use Closure;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Report\FurtherJudgement;
use MintCarry\Core\Report\Judgement;
use MintCarry\Core\Report\Part;

/** Judges a fitting as it stands, and keeps the parts. Shots, setups and rack are read in one transaction: the state is that of all of them. */
final class FittingJudge
{
    private const OF_CANDIDATE = ['tag' => 1, 'headId' => 1, 'masses' => 1, 'setupTag' => 1, 'head' => 1, 'sleeve' => 1, 'weights' => 1,
        'with' => 1, 'like' => 1];

    public function __construct(private readonly JudgementStore $store)
    {
    }

    /**
     * Makes what screens look at, or what follows it, and keeps it.
     *
     * @return array<string, KeptPart> by name
     *
     * @throws ModelFailure
     */
    public function judge(Fitting $fitting, bool $isFurther, Viewpoint $from = new Viewpoint): array
    {
        [$state, $loader, $record] = self::load($fitting, $from);
        $parts = $isFurther ? self::further($loader, $record) : self::lookedAt($loader, $record);
        $kept = array_map(static fn (Part $part): KeptPart => self::kept($part, $state), $parts);
        $this->store->keep($fitting, $kept, $from->key());

        return $kept;
    }

    /**
     * Makes one part with something asked beside it, and keeps it.
     *
     * @param  array<string, string>  $options  what was asked beside it
     * @param  Closure(FittingRecord): array<string, mixed>  $make
     */
    public function answer(Fitting $fitting, JudgedPart $part, array $options, Viewpoint $from, Closure $make): KeptPart
    {
        [$state, $loader, $record] = self::load($fitting, $from);
        $figures = Part::by(static function () use ($make, $record, $loader, $part): array {
            $made = FailureLog::noted($make($record), $loader->fitting);

            return $part === JudgedPart::Finder ? self::withHeadIds($made, $loader) : $made;
        });
        $kept = self::kept($figures, $state);
        $this->store->keep($fitting, [$part->value => $kept], $from->key($options));

        return $kept;
    }

    /** @return array{FittingState, FittingLoader, FittingRecord} */
    private static function load(Fitting $fitting, Viewpoint $from): array
    {
        return Transaction::run(static function () use ($fitting, $from): array {
            $now = Fitting::query()->findOrFail($fitting->id);
            $state = FittingState::of($now);
            $loader = new FittingLoader($now);

            return [$state, $loader, $loader->record($from->swing, $from->isRemembering)];
        });
    }

    /** @return array<string, Part> by name */
    private static function lookedAt(FittingLoader $loader, FittingRecord $record): array
    {
        $judgement = Judgement::of($record);
        $named = static fn (Part $part): Part => $part->figures === null
            ? $part : Part::by(static fn (): array => self::withHeadIds($part->figures, $loader));
        $parts = [
            JudgedPart::Comparison->value => $judgement->comparison, JudgedPart::Judging->value => $judgement->judging,
            JudgedPart::Advice->value => $judgement->advice, JudgedPart::Answer->value => $judgement->answer,
            JudgedPart::Finder->value => $named($judgement->finder),
            JudgedPart::Judge->value => Part::by(static fn (): array => self::forTheBay($judgement, $loader)),
        ];
        foreach ($parts as $part) {
            FailureLog::noted($part->figures ?? [], $loader->fitting);
        }

        return $parts;
    }

    /** @return array<string, Part> by name */
    private static function further(FittingLoader $loader, FittingRecord $record): array
    {
        $further = FurtherJudgement::of($record);
        FailureLog::noted($further->grounds->figures ?? [], $loader->fitting);

        return [
            JudgedPart::Grounds->value => $further->grounds->figures === null ? $further->grounds
                : Part::by(static fn (): array => $further->grounds->figures + ['confirm' => ConfirmState::of($loader)]),
            JudgedPart::Schools->value => $further->schools, JudgedPart::Questions->value => $further->questions,
            JudgedPart::Lofts->value => $further->lofts, JudgedPart::Speeds->value => $further->speeds,
            JudgedPart::Strikes->value => $further->strikes,
        ];
    }

    /**
     * What the bay shows of it; nothing while a blind trial goes on.
     *
     * @return array<string, mixed>
     */
    private static function forTheBay(Judgement $judgement, FittingLoader $loader): array
    {
        if (Blind::open($loader->fitting) !== null) {
            $step = ['kind' => 'none', 'tag' => null, 'shots' => null, 'why' => null];

            return ['n' => $judgement->n, 'judge' => null, 'step' => $step, 'next' => null];
        }
        $next = $judgement->next();

        return [
            'n' => $judgement->n, 'judge' => $judgement->advice->figures, 'step' => $judgement->step,
            'next' => $next === null ? null : array_intersect_key(self::withHeadId($next, $loader), self::OF_CANDIDATE),
        ];
    }

    /**
     * @param  array<string, mixed>  $found
     * @return array<string, mixed>
     */
    private static function withHeadIds(array $found, FittingLoader $loader): array
    {
        foreach ($found['setups'] as $i => $setup) {
            $found['setups'][$i] = self::withHeadId($setup, $loader);
        }

        return $found;
    }

    /**
     * @param  array<string, mixed>  $setup
     * @return array<string, mixed>
     */
    private static function withHeadId(array $setup, FittingLoader $loader): array
    {
        // A head in a loft that has to be ordered is none of those that lie there.
        $isThere = $setup['rackAt'] !== null && $setup['otherLoftDeg'] === null;

        return ['headId' => $isThere ? $loader->heads()->values()[$setup['rackAt']]?->id : null] + $setup;
    }

    private static function kept(Part $part, FittingState $state): KeptPart
    {
        $body = $part->refusal === null ? $part->figures : ['field' => $part->refusal->field, 'message' => $part->refusal->getMessage()];

        return new KeptPart(
            json_encode((object) $body, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
            $part->refusal !== null, $state->key, $state->shots, now()->format('Y-m-d H:i:s.u'),
        );
    }
}
