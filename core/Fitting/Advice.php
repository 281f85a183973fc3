<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Summary;

/**
 * Judges the setups of a fitting that were hit, against the benchmark, and names the one that is advised.
 *
 * Each setup's plausible truths are scored as the brief says: by `ExpectedStrokes` over the corridor, with the aim
 * free within ±4° unless the brief holds it, or by another `Scoring`. The truths are those of the finder's models
 * where every setup was hit with ball data, else those of the shots alone. Which setup is advised says
 * `DecisionRule`. Two setups closer than the scoring's resolution, or whose order holds with less than 0.8, are a
 * tie. A setup that likely brings more of what the brief never wants to see is judged, and not advised
 * (`NeverSeen`).
 *
 * Where feel goes first, what the player said leads and the figures only veto: of those that are not likely worse
 * than the benchmark the one with the highest confidence is advised.
 */
final readonly class Advice
{
    /** Nearer than this in stars is no preference: half a star. */
    private const CONFIDENCE_MARGIN = 0.5;

    /**
     * @param  list<SetupJudgement>  $setups  in the order they came
     * @param  list<string>  $ties  tags that cannot be told from the pick
     * @param  string|null  $runnerUp  the next best after the pick that may be advised; null where there is none
     * @param  string  $by  what decided (`DecisionRule`)
     * @param  string|null  $wish  which want, where one decided
     * @param  list<string>  $level  who was level with the best by the school
     * @param  list<string>  $barred  who likely brings more of what must never be seen
     * @param  bool  $isOwnLevel  is the own club level with the best by the school?
     */
    private function __construct(
        public string $benchmark,
        public string $best,
        public string $pick,
        public bool $isConclusive,
        public array $ties,
        public array $setups,
        public float $expectedLoss,
        public Scoring $scoring,
        public bool $isModelled,
        public ?string $runnerUp = null,
        public ?TieBreak $tieBreak = null,
        public string $by = 'school',
        public ?string $wish = null,
        public array $level = [],
        public array $barred = [],
        public bool $isOwnLevel = false,
    ) {
    }

    /**
     * @param  list<ShotSet>  $sets  setups with at least one counted shot
     * @param  string  $benchmark  tag of the setup to beat
     * @param  Brief  $brief  corridor, holes, level, scoring, whether the aim is free, and what must never be seen
     * @param  PosteriorDraws|null  $posterior  by the models; null, or where a setup is missing from it: from the shots alone
     * @param  array<string, float>  $confidence  what the player said, 1 … 5, by tag
     * @param  (callable(list<string>): TieBreak)|null  $breakTie  who goes first among those that are as good as the pick
     * @param  Terms|null  $terms  which is the own club, and what each setup takes; null: the benchmark, and a part in stock
     * @param  bool  $isWhole  false where only the pick is asked: what another loft would do is not worked out
     *
     * @throws InvalidInput when there is nothing to compare
     */
    public static function of(
        array $sets, string $benchmark, Brief $brief, BallFlight $flight, ?PosteriorDraws $posterior = null, Hand $hand = Hand::Right,
        ?FlightLimits $limits = null, array $confidence = [], ?callable $breakTie = null,
        bool $isWhole = true, ?Terms $terms = null,
    ): self {
        $tags = array_map(static fn (ShotSet $set): string => $set->tag, $sets);
        if ($sets === []) {
            throw InvalidInput::of('setups', 'No setup has a counted shot yet: read a file or type shots first.');
        }
        $own = array_search($benchmark, $tags, true);
        if ($own === false) {
            throw InvalidInput::of(
                'benchmark', "The benchmark {$benchmark} has no counted shot: hit it first, or make another setup the benchmark.",
            );
        }
        $isModelled = $posterior !== null && $posterior->has($tags);
        $posterior = $isModelled ? $posterior : PosteriorDraws::ofShots($sets, $brief, $hand, $limits);
        $price = Outlook::price($brief, self::mean($posterior->totals[$benchmark]));
        $nevers = array_map(
            static fn (string $tag): array => $brief->never === [] ? [] : NeverSeen::of(
                $posterior->nevers[$tag], $posterior->nevers[$benchmark], $brief, $price, $limits,
            ),
            $tags,
        );
        $barred = array_keys(array_filter(
            $nevers,
            static fn (array $never, int $i): bool => $i !== $own
                && array_filter($never, static fn (NeverSeen $n): bool => $n->isBarred) !== [],
            ARRAY_FILTER_USE_BOTH,
        ));
        $scores = array_map(static fn (string $tag): array => $posterior->scores[$tag], $tags);
        $pick = Pick::among($scores, $own, $brief->scoring(), $barred);
        $pooled = SideEstimate::pooledSpread($sets);
        $terms ??= new Terms;
        $club = array_search($terms->own, $tags, true);
        $club = $club === false ? $own : $club;
        $figures = $posterior->figures($tags);
        $wishes = Wish::of($brief, $hand, $figures);
        $rule = self::decide($tags, $pick, $barred, $brief, $terms, $club, $wishes, $breakTie);
        $judged = [];
        foreach ($sets as $i => $set) {
            $trade = $isWhole ? self::trade($set, $flight, $brief) : null;
            $judged[] = self::judge(
                $set, $i, $own, $benchmark, $posterior, $pick, $nevers[$i], $trade, $pooled, WishAnswer::allOf($wishes, $figures, $i, $club),
            );
        }
        $at = $brief->scoring() === Scoring::FeelFirst ? self::byFeel($tags, $pick, $own, $barred, $confidence) : $rule->pick;
        $ties = array_values(array_map(
            static fn (int $i): string => $tags[$i],
            array_filter($pick->order(), static fn (int $i): bool => $pick->isTied($i, $at) && ! in_array($i, $barred, true)),
        ));
        $next = array_values(array_filter($pick->order(), static fn (int $i): bool => $i !== $at && ! in_array($i, $barred, true)))[0] ?? null;

        return new self(
            $benchmark, $tags[$pick->best], $tags[$at], $ties === [] && count($sets) > 1, $ties, $judged,
            $pick->losses[$at], $brief->scoring(), $isModelled, $next === null ? null : $tags[$next], $rule->tieBreak,
            $brief->scoring() === Scoring::FeelFirst ? 'feel' : $rule->by, $rule->wish,
            array_map(static fn (int $i): string => $tags[$i], $rule->level), array_map(static fn (int $i): string => $tags[$i], $barred),
            DecisionRule::isLevel($pick, $rule->own, $pick->best),
        );
    }

    /**
     * @param  list<string>  $tags
     * @param  list<int>  $barred
     * @param  int  $own  the own club
     * @param  list<Wish>  $wishes
     * @param  (callable(list<string>): TieBreak)|null  $breakTie
     */
    private static function decide(
        array $tags, Pick $pick, array $barred, Brief $brief, Terms $terms, int $own, array $wishes, ?callable $breakTie,
    ): DecisionRule {
        $options = [];
        foreach ($tags as $i => $tag) {
            $options[$i] = $terms->of($tag, in_array($i, $barred, true));
        }
        $feel = $breakTie === null ? null : static function (array $among) use ($breakTie, $tags): array {
            $broken = $breakTie(array_values(array_map(static fn (int $i): string => $tags[$i], $among)));

            return [$broken, array_values(array_filter($among, static fn (int $i): bool => in_array($tags[$i], $broken->remaining, true)))];
        };

        return DecisionRule::choose($pick, $options, $own, $wishes, $feel, $brief->sureToBuy);
    }

    /**
     * @param  list<NeverSeen>  $never
     * @param  list<WishAnswer>  $wishes
     */
    private static function judge(
        ShotSet $set, int $i, int $own, string $benchmark, PosteriorDraws $posterior, Pick $pick, array $never, ?LoftTrade $trade,
        float $pooledSpreadM, array $wishes,
    ): SetupJudgement {
        $tag = $set->tag;
        $gaps = static fn (array $of): array => Pick::gaps($of[$benchmark], $of[$tag]); // this one less the benchmark
        $side = SideEstimate::of($set, $pooledSpreadM);
        $shareGaps = Pick::gaps($posterior->sharesOf($benchmark), $posterior->sharesOf($tag));
        [$strokes, $carry, $total] = [$gaps($posterior->strokes), $gaps($posterior->carries), $gaps($posterior->totals)];

        return new SetupJudgement(
            $tag, $set->count(), $set->summary(Measure::Carry), $set->summary(Measure::Total),
            CorridorShare::ofDraws($posterior->lefts[$tag], $posterior->rights[$tag], $side->n), $side->spreadM, $trade,
            self::mean($strokes), Interval::middleOf($strokes),
            self::mean($posterior->aimFixed[$tag]) - self::mean($posterior->aimFixed[$benchmark]), $pick->chance($i, $own),
            $pick->losses[$i], self::mean($posterior->aims[$tag]), $pick->gain($i, $own), $pick->gainInterval($i, $own),
            self::mean($posterior->carries[$tag]), self::mean($carry), Interval::middleOf($carry), self::mean($total),
            Interval::middleOf($total), self::mean($shareGaps), Interval::middleOf($shareGaps), $never,
            self::mean($posterior->troubles[$tag]), ExpectedFigure::allOf($posterior->flights, $tag), $wishes,
            self::mean($posterior->totals[$tag]),
        );
    }

    /**
     * Of those that the figures do not veto, the one that the player trusts most; the benchmark where nobody asked.
     *
     * @param  list<string>  $tags
     * @param  list<int>  $barred
     * @param  array<string, float>  $confidence
     */
    private static function byFeel(array $tags, Pick $pick, int $own, array $barred, array $confidence): int
    {
        $at = $own;
        foreach ($pick->order() as $i) {
            $isVetoed = in_array($i, $barred, true) || ($i !== $own && $pick->chance($own, $i) >= DecisionRule::SURE_TO_BUY
                && $pick->gain($own, $i) > $pick->scoring->resolution());
            $stars = $confidence[$tags[$i]] ?? null;
            $mine = $confidence[$tags[$at]] ?? null;
            if (! $isVetoed && $stars !== null && ($mine === null || $stars >= $mine + self::CONFIDENCE_MARGIN)) {
                $at = $i;
            }
        }

        return $at;
    }

    /** @param  array<int, float>  $values */
    private static function mean(array $values): float
    {
        return array_sum($values) / max(1, count($values));
    }

    public function judgement(string $tag): SetupJudgement
    {
        foreach ($this->setups as $setup) {
            if ($setup->tag === $tag) {
                return $setup;
            }
        }
        throw InvalidInput::of('setup', "There is no setup {$tag} among those judged.");
    }

    private static function trade(ShotSet $set, BallFlight $flight, Brief $brief): ?LoftTrade
    {
        $mean = static fn (Measure $m): ?float => Summary::of($set->values($m))?->mean;
        $speed = $mean(Measure::BallSpeed);
        $launch = $mean(Measure::LaunchAngle);
        $spin = $mean(Measure::Spin);

        return $speed === null || $launch === null || $spin === null ? null
            : LoftTrade::of(new Launch($speed, $launch, $spin), $flight, $mean(Measure::ClubSpeed), $mean(Measure::Attack) ?? $brief->attackDeg);
    }
}
