<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Setup;
use App\Models\Trial;
use App\Support\Judged;
use App\Support\RackSetups;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use MintCarry\Core\Club\ChangeOver;
use MintCarry\Core\CoreException;
use MintCarry\Core\Finder\Belief;
use MintCarry\Core\Finder\Finder;
use MintCarry\Core\Finder\Predicted;
use MintCarry\Core\Finder\Trade;
use MintCarry\Core\Judging\Built;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;

/** The finder's answer: what is expected of each setup against the own club, the pick, what to hit next, what was learned of the player. */
final class FinderResource extends JsonResource
{
    public function __construct(private readonly Judged $judged, private readonly string $only)
    {
        parent::__construct($judged);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $fitting = $this->judged->fitting;
        $setups = Setup::query()->where('fitting_id', $fitting->id)->with(['rackHead.readings', 'rackHead.sleeve', 'shaftPart', 'gripPart'])->orderBy('position')->get()->keyBy('id');
        $own = $setups->first() ?? throw CoreException::invalid('baseline', 'The finder needs the player’s own club: add it on the bench first.');
        if (! isset($this->judged->sets[$own->id])) {
            throw CoreException::invalid('baseline', "The own club {$own->tag} has no counted shot yet: hit it first. Everything is judged as a difference from it.");
        }
        $rack = new RackSetups($fitting, $setups->all(), $own, $this->only);
        if ($rack->built === []) {
            throw CoreException::invalid('rack', match ($this->only) {
                'own' => 'The own club is only described, not on the rack, so its other positions are not known. Put its head on the rack, or look at all heads.',
                default => 'No legal setup for this hand is on the rack'.($rack->left === [] ? '.' : ': '.implode(' ', $rack->left)),
            });
        }
        [$tested, $all] = $this->tested($setups->all(), $rack);
        $hand = $fitting->player->hand;
        $ownBuilt = Judged::built($own, $hand);
        $squares = $fitting->brief()->squares();
        $ball = $this->judged->sets[$own->id]->summary(Measure::BallSpeed)->mean ?? 65.0;
        $prior = Belief::prior($ownBuilt, $this->judged->sets[$own->id]->summary(Measure::ClubSpeed)->mean ?? $ball / 1.46, array_values(array_unique(array_map(fn (Built $b): string => $b->head, [...$rack->built, ...$all]))), array_map(fn (array $t): string => $t['built']->tag, $tested), $squares);
        $belief = $prior->after($tested);
        $hit = Trial::query()->where('fitting_id', $fitting->id)->orderByDesc('number')->value('setup_id');
        $hand0 = $hit === null ? $own->parts() : ($setups[$hit] ?? $own)->parts();
        // What is not in the studio cannot be hit next.
        $wrench = fn (Built $b): ?int => ($rack->about[$b->tag]['inStock'] ?? true) === false ? null : ChangeOver::between($hand0, ['head' => $b->head, 'sleeve' => $b->sleeve, 'masses' => $rack->about[$b->tag]['masses'] ?? [], 'weights' => $b->weights, 'shaft' => $b->shaft, 'ball' => $b->ball, 'teeMm' => $b->teeMm, 'cue' => $b->cue])->wrenchChanges;
        // Setups that were hit and are no longer on the rack stay in the judgement.
        $found = Finder::of($prior, $belief, [...$all, ...$rack->built], $fitting->brief(), $fitting->flight(), $this->judged->random(), $wrench);
        $trade = Trade::of($found->setups);

        return [
            'own' => $own->tag,
            'scoring' => $found->scoring->value,
            'unit' => $found->scoring->unit(),
            'count' => count($found->setups),
            'best' => $found->best->built->tag,
            'pick' => $found->pick->built->tag,
            'expectedLoss' => $found->expectedLoss,
            'mayStop' => $found->mayStop,
            'ties' => count(array_filter($found->setups, fn (Predicted $p): bool => $p->tied)),
            'within' => count(array_filter($found->setups, fn (Predicted $p): bool => $found->best->gain - $p->gain < $found->scoring->resolution())),
            'left' => $rack->left,
            'next' => $found->next === null ? null : ['tag' => $found->next['built']->tag, 'value' => $found->next['value'], 'changes' => $found->next['changes']],
            'learned' => $found->learned,
            'trade' => ['front' => $trade->front, 'perCarryM' => $trade->perCarryM, 'perShare' => $trade->perShare, 'level' => $trade->level, 'agreement' => $trade->agreement],
            'setups' => array_map(fn (Predicted $p): array => $this->setup($p, $rack, $squares), $found->setups),
        ];
    }

    /**
     * What was hit, as the belief takes it: setups on the rack under the rack's own tag.
     *
     * @param  array<int, Setup>  $setups
     * @return array{list<array{built: Built, shots: list<LaunchShot>, order: float}>, list<Built>}
     */
    private function tested(array $setups, RackSetups $rack): array
    {
        $onRack = array_flip(array_map(fn (Built $b): string => $b->tag, $rack->built));
        $tested = $off = [];
        foreach ($this->judged->sets as $id => $set) {
            $built = Judged::built($setups[$id], $this->judged->fitting->player->hand);
            $sequences = array_column(array_filter($this->judged->shots[$id], fn (array $s): bool => $s['leftOut'] === null), 'sequence');
            $tested[] = ['built' => $built, 'shots' => $set->shots, 'order' => $sequences === [] ? 0.0 : array_sum($sequences) / count($sequences) / 20];
            if (! isset($onRack[$built->tag])) {
                $off[] = $built;
            }
        }

        return [$tested, $off];
    }

    /** @return array<string, mixed> */
    private function setup(Predicted $p, RackSetups $rack, float $squares): array
    {
        $about = $rack->about[$p->built->tag] ?? null;

        return [
            'tag' => $p->built->tag,
            'setupTag' => $about['setupTag'] ?? ($p->tested ? $p->built->tag : null),
            'head' => $p->built->head,
            'headId' => $about['headId'] ?? null,
            'sleeve' => $p->built->sleeve,
            'weights' => $p->built->weights,
            'masses' => $about === null ? null : (object) $about['masses'],
            'inStock' => $about['inStock'] ?? true,
            'price' => $about['price'] ?? null,
            'currency' => $about['currency'] ?? '',
            'loftDeg' => $p->built->soledLoftDeg + $squares * ($p->built->squaredLoftDeg - $p->built->soledLoftDeg),
            'faceOpenDeg' => (1 - $squares) * $p->built->soledFaceOpenDeg,
            'carryM' => $p->carryM,
            'carryGainM' => $p->carryGainM,
            'carryGainInterval' => $p->carryGainInterval,
            'totalM' => $p->totalM,
            'sideM' => $p->sideM,
            'sideInterval' => $p->sideInterval,
            'spreadM' => $p->sideSpreadM,
            'apexM' => $p->apexM,
            'share' => $p->share,
            'gain' => $p->gain,
            'gainInterval' => $p->gainInterval,
            'gainHeld' => $p->gainHeld,
            'chance' => $p->chance,
            'aimDeg' => $p->aimDeg,
            'tied' => $p->tied,
            'tested' => $p->tested,
        ];
    }
}
