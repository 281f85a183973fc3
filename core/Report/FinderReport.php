<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\ChangeOver;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Finder\Finder;
use MintCarry\Core\Finder\Predicted;
use MintCarry\Core\Finder\RackCandidates;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Finder\Trade;
use MintCarry\Core\Fitting\LoftTrade;
use MintCarry\Core\Fitting\WantedFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Judging\Diagnosis;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Record\FittingRecord;

/**
 * The finder's answer, as a screen or `bin/mint find` shows it: what is expected of each setup against the own club,
 * the pick, what to hit next, what was learned of the player.
 */
final class FinderReport
{
    /**
     * @param  string|null  $only  one of `RackCandidates::WHICH`; null: what the brief presets
     * @return array<string, mixed> lengths m, angles °, gains in the scoring's unit
     *
     * @throws InvalidInput when there is no own club, it was not hit, or the rack offers nothing
     */
    public static function of(FittingRecord $record, ?string $only = null): array
    {
        $only ??= RackCandidates::preset($record);
        $search = (Search::modelled($record) ?? Search::of($record))->offering($only);
        $candidates = $search->candidates;
        if ($candidates->specs === []) {
            throw InvalidInput::of(
                'rack',
                match (true) {
                    $candidates->unreadable !== [] => 'No legal setup for this hand is on the rack: '.
                        implode(' ', $candidates->unreadable),
                    $only === 'own' => 'The own club is only described, not on the rack, so its other positions are not known. Put its head on the rack, or look at all heads.',
                    $only === 'order' && $record->rack !== [] => 'No head for this hand is in the studio or can be ordered. Look at all heads, or say on the rack what can be had.',
                    $only === 'stock' && $record->rack !== [] => 'No head for this hand is in the studio. Look at all heads, or say on the rack what is in stock.',
                    default => 'No legal setup for this hand is on the rack.',
                },
            );
        }
        $inHand = $record->setups[$record->inHand ?? ''] ?? $record->own();
        // What is not in the studio cannot be hit next.
        $wrench = static fn (SetupSpec $b): ?int => ($candidates->about[$b->tag]->inStock ?? true) === false
            ? null
            : ChangeOver::between($inHand->parts(), $candidates->parts($b))->wrenchChanges;
        $draws = $search->draws();
        $found = Finder::of($draws, $record->brief, $wrench, $record->limits(), $record->benchmark, Cost::offers($record, $candidates),
            self::loftAsked($record));
        $trade = Trade::of($found->setups);
        $squaringShare = $record->brief->squaringShare();
        $wanted = WantedFlight::of($record->target(), $record->brief->sixIronApexM);
        $sets = $record->sets();

        return [
            ...$record->toldSwings(),
            'own' => $record->own()->tag,
            'benchmark' => $found->base->spec->tag,
            ...$record->calibration?->toArray() ?? [],
            'scoring' => $found->scoring->value,
            'unit' => $found->scoring->unit(),
            'count' => count($found->setups),
            'best' => $found->best->spec->tag,
            'pick' => $found->pick->spec->tag,
            'expectedLoss' => $found->expectedLoss,
            'mayStop' => $found->mayStop,
            'ties' => count(array_filter($found->setups, static fn (Predicted $p): bool => $p->tied)),
            'within' => count(
                array_filter(
                    $found->setups, static fn (Predicted $p): bool => $found->best->gain - $p->gain < $found->scoring->resolution(),
                ),
            ),
            'only' => $only,
            'preset' => RackCandidates::preset($record),
            'tooDear' => $candidates->tooDear,
            'step' => NextStep::of($record, $found->next['spec']->tag ?? null, $found->mayStop),
            'unreadable' => $candidates->unreadable,
            'failures' => ModelFailure::toArrays([...$record->failures(), ...$draws->failures]),
            'next' => $found->next === null
                    ? null
                    : [
                        'tag' => $found->next['spec']->tag, 'value' => $found->next['value'], 'changes' => $found->next['changes'],
                        'turns' => $found->next['turns'], 'to' => $found->next['to']?->tag, 'chance' => $found->next['chance'],
                        'for' => $found->next['for'],
                    ],
            'learned' => $found->learned,
            'ownEffects' => array_map(static fn (array $p): array => ['with' => (object) $p['with']] + $p, $search->ownEffects()),
            'trade' => [
                'front' => $trade->front, 'perCarryM' => $trade->perCarryM, 'perShare' => $trade->perShare,
                'level' => $trade->level, 'agreement' => $trade->agreement,
            ],
            'guard' => Guard::of($found->setups, $record->brief->never),
            'wanted' => $wanted->bands,
            'setups' => array_map(
                static fn (Predicted $p): array => self::setup($p, $candidates, $squaringShare) + [
                    'flight' => $wanted->tell($p->flight), 'wishes' => $p->wishes,
                    'seen' => isset($sets[$p->spec->tag]) ? Seen::of($sets[$p->spec->tag], $record->brief->corridor) : null,
                ],
                $found->setups,
            ),
        ];
    }

    /** What the player may want first that loft answers; who wants nothing wants it too. */
    private const LOFT_ANSWERS = ['', 'carry', 'run', 'height', 'lower flight', 'less spin'];

    /**
     * Change of delivered loft that the diagnosis asks of the benchmark, °; 0 where it asks for none, or the player
     * wants something else.
     */
    private static function loftAsked(FittingRecord $record): float
    {
        $set = $record->sets()[$record->benchmark ?? ''] ?? null;
        $mean = static fn (Measure $m): ?float => $set?->summary($m)?->mean;
        [$speed, $launch, $spin] = [$mean(Measure::BallSpeed), $mean(Measure::LaunchAngle), $mean(Measure::Spin)];
        $isWanted = in_array($record->brief->wants[0] ?? '', self::LOFT_ANSWERS, true);
        if ($speed === null || $launch === null || $spin === null || ! $isWanted) {
            return 0.0;
        }
        $trade = LoftTrade::of(
            new Launch($speed, $launch, $spin), $record->flight, $mean(Measure::ClubSpeed), $mean(Measure::Attack) ?? $record->brief->attackDeg,
        );

        return $trade->costM > Diagnosis::WORTH_LOFT_M ? $trade->loftChangeDeg : 0.0;
    }

    /** @return array<string, mixed> */
    private static function setup(Predicted $p, RackCandidates $candidates, float $squaringShare): array
    {
        $about = $candidates->about[$p->spec->tag] ?? null;

        return [
            'tag' => $p->spec->tag,
            'setupTag' => $about->setupTag ?? ($p->tested ? $p->spec->tag : null),
            'head' => $p->spec->head,
            'rackAt' => $about?->rackAt,
            'sleeve' => $p->spec->sleeve,
            'weights' => $p->spec->weights,
            'masses' => $about === null ? null : (object) $about->parts->masses,
            'with' => (object) ($about->with ?? $p->spec->build()->by($candidates->usual)->beside($candidates->usual)),
            'like' => $about?->like,
            'inStock' => $about->inStock ?? true,
            'orderable' => $about->orderable ?? true,
            'otherLoftDeg' => $about?->otherLoftDeg,
            'printSdDeg' => $p->spec->printSdDeg,
            'leadDays' => $about?->leadDays,
            'price' => $about?->price,
            'currency' => $about->currency ?? '',
            'loftDeg' => $p->spec->soledLoftDeg + $squaringShare * ($p->spec->squaredLoftDeg - $p->spec->soledLoftDeg),
            'faceOpenDeg' => (1 - $squaringShare) * $p->spec->soledFaceOpenDeg,
            'carryM' => $p->carryM,
            'carryGainM' => $p->carryGainM,
            'carryGainInterval' => $p->carryGainInterval,
            'totalM' => $p->totalM,
            'sideM' => $p->sideM,
            'sideInterval' => $p->sideInterval,
            'spreadM' => $p->sideSpreadM,
            'apexM' => $p->apexM,
            'share' => $p->share,
            'shareInterval' => $p->corridor->interval,
            'leftShare' => $p->corridor->left,
            'rightShare' => $p->corridor->right,
            'troubleShare' => $p->troubleShare,
            'never' => $p->never,
            'gain' => $p->gain,
            'gainInterval' => $p->gainInterval,
            'aimFixedGain' => $p->aimFixedGain,
            'chance' => $p->chance,
            'aimDeg' => $p->aimDeg,
            'tied' => $p->tied,
            'tested' => $p->tested,
        ];
    }
}
