<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\ClubBuild;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Memory\StudioMemory;
use MintCarry\Core\Statistics\Arrow;

use function abs;
use function array_column;
use function array_combine;
use function array_diff;
use function array_diff_key;
use function array_fill;
use function array_flip;
use function array_intersect_key;
use function array_keys;
use function array_map;
use function array_replace;
use function array_search;
use function array_unique;
use function count;
use function range;
use function sort;
use function sqrt;

/**
 * What is believed of one player: the mean swing, how far a change of the club reaches the ball, what each head does
 * of its own, and the scatter from swing to swing.
 *
 * A normal belief about a list of unknowns θ, in this order: nine means (`Swing`), nine factors (`AT`), then for
 * each head, and for each build that is not the usual one, seven effects of its own (speed, loft, face, toe, high,
 * restitution, spin), then for each setup that was hit seven quirks (the same). Shots change it in `BeliefUpdate`.
 * Face + = right; a left-hander is mirrored at the edge, so that the belief is that of a right-hander.
 *
 * How far the player squares the face moves loft and face together: squaring more, more of the loft and less of the
 * face reaches the ball; both have a width apart from it as well. Rules and widths: `PlayerPriors`; docs/judging.md,
 * "The model".
 */
final readonly class Belief
{
    public const MEANS = 9;

    /**
     * Places of the factors in θ: how far the face is squared (0 … 1); shares of face and loft that reach the ball
     * apart from it; ° of loft for a mm of CG back, ° open for a mm toward the toe; drift of speed in m/s for 20
     * shots; mm of strike and m/s of speed for a point of swing weight; share of a head's own loft that reaches the
     * ball.
     */
    private const AT = [
        'squaring' => 9, 'faceApart' => 10, 'loftApart' => 11, 'loftPerCgBackMm' => 12, 'openPerCgToeMm' => 13, 'drift' => 14,
        'toeMmPerPoint' => 15, 'speedMpsPerPoint' => 16, 'headLoft' => 17,
    ];

    /** What is told of a player: each is a sum of places of θ. */
    private const FACTORS = [
        'squaring' => ['squaring' => 1.0],
        'loftCarryThrough' => ['loftApart' => 1.0, 'squaring' => PlayerPriors::LOFT_CARRY_OF_SQUARING],
        'faceCarryThrough' => ['faceApart' => 1.0, 'squaring' => PlayerPriors::FACE_CARRY_OF_SQUARING],
        'loftPerCgBackMm' => ['loftPerCgBackMm' => 1.0],
        'openPerCgToeMm' => ['openPerCgToeMm' => 1.0],
        'toeMmPerPoint' => ['toeMmPerPoint' => 1.0],
        'speedMpsPerPoint' => ['speedMpsPerPoint' => 1.0],
    ];

    /** What a studio learns of players: how far a change of the club reaches the ball. */
    private const LEARNED = [
        'faceApart', 'loftApart', 'loftPerCgBackMm', 'openPerCgToeMm', 'toeMmPerPoint', 'speedMpsPerPoint', 'headLoft',
    ];

    /** Which of the swing's values effects and quirks act on, in their order. */
    private const EFFECT_ON = [Swing::CLUB_SPEED, Swing::LOFT, Swing::FACE, Swing::TOE, Swing::HIGH, Swing::RESTITUTION, Swing::SPIN_SHARE];

    /** The own club is the zero of all effects: what it does is in the means. */
    private const NOTHING_SD = 1e-4;

    /** Nearer to the middle than this, nobody said how the player puts the club down. */
    private const UNSAID = 0.1;

    /**
     * @param  list<float>  $mean  of θ
     * @param  Arrow  $spread  of θ
     * @param  list<float>  $priorVariance  of θ before any shot
     * @param  list<list<int>>  $blocks  places of θ that only one setup touches, or none that was hit
     * @param  array<int, array<int, float>>  $scatter  covariance of the swing's first seven values from swing to swing
     * @param  array<string, int>  $heads  place of each head's effects in θ
     * @param  array<string, int>  $builds  place of the effects of each build that is not the usual one, by its key
     * @param  array<string, int>  $quirks  place of each tested setup's quirks in θ
     * @param  float  $priorWidth  multiplies every prior's width; 1 is honest
     * @param  float  $scatterShots  how many shots the scatter is known from
     * @param  list<string>  $names  what each unknown is, whatever its place: draws belong to it
     * @param  array<int, int>  $visits  place of what each earlier visit adds to the swing, by its number
     * @param  float  $middle  how far into the session the middle of what was hit lies: there everything is told
     * @param  array<int, float>  $narrower  by how much a prior was narrower (above 1) than its width when shots came, in variance
     */
    private function __construct(
        public SetupSpec $own,
        public array $mean,
        public Arrow $spread,
        public array $priorVariance,
        public array $blocks,
        public array $scatter,
        private ClubBuild $usual,
        public array $heads,
        public array $builds,
        public array $quirks,
        public float $priorWidth,
        public float $scatterShots,
        public array $names,
        private array $visits,
        private float $middle = 0.0,
        public array $narrower = [],
    ) {
    }

    /**
     * What is believed before any shot of this player but the speed is known.
     *
     * @param  list<string>  $heads  names of all heads on the rack
     * @param  list<SetupSpec>  $tested  setups that were hit, in the order of hitting
     * @param  float  $squaringShare  how far the player is taken to square the face, 0 … 1
     * @param  float  $priorWidth  multiplies every prior's width; 1 is honest
     * @param  float|null  $handicap  level of play: how far swings scatter
     * @param  list<int>  $earlier  visits before the last: the player was another then, by as much as `PlayerPriors::VISIT_SD`
     * @param  StudioMemory|null  $memory  what earlier fittings say of heads and changes
     * @param  bool  $isOwnRacked  whether the own club's head stands on the rack, so that the memory may know it
     */
    public static function prior(
        SetupSpec $own, float $clubSpeedMps, array $heads, array $tested, float $squaringShare, float $priorWidth = 1.0,
        array $earlier = [], ?float $handicap = null, ?StudioMemory $memory = null, bool $isOwnRacked = false,
    ): self {
        [$mean, $sd] = self::ofPlayer($clubSpeedMps, $own->squaredLoftDeg, $squaringShare);
        foreach (array_intersect_key($memory->factors ?? [], array_flip(self::LEARNED)) as $name => $factor) {
            $mean = array_values(array_replace($mean, [self::AT[$name] => $factor['mean']]));
            $sd = array_values(array_replace($sd, [self::AT[$name] => $factor['sd']]));
        }
        $names = array_map(static fn (int $i): string => "of the player {$i}", array_keys($mean));
        $add = static function (array $widths, string $name, bool $nothing = false, array $means = []) use (&$mean, &$sd, &$names): int {
            $at = count($mean);
            foreach ($widths as $k => $width) {
                $mean[] = $nothing ? 0.0 : (float) ($means[$k] ?? 0.0);
                $sd[] = $nothing ? self::NOTHING_SD : $width;
                $names[] = "{$name}, {$k}";
            }

            return $at;
        };
        $known = static function (string $head) use ($memory, $own, $isOwnRacked): array {
            $effects = $memory?->effectsOf(
                StudioMemory::keyOf($head, $own->hand), $isOwnRacked ? StudioMemory::keyOf($own->model(), $own->hand) : null,
            );

            return $effects === null ? [PlayerPriors::OWN_EFFECT_SD, []] : [array_column($effects, 'sd'), array_column($effects, 'mean')];
        };
        // What was hit comes first, in the order of the trail and named by its first setup there: nothing moves when something that
        // nobody hit is added, and the same fitting has the same figures wherever its heads are called otherwise.
        $headAt = $buildAt = $quirkAt = $visitAt = [];
        $placeOf = [];
        $headAt[$own->head] = $add(PlayerPriors::OWN_EFFECT_SD, "head of {$own->tag}", true);
        $usual = ClubBuild::usual($own->build(), array_map(static fn (SetupSpec $s): ClubBuild => $s->build(), $tested));
        foreach ($tested as $spec) {
            [$widths, $means] = $known($spec->head);
            $headAt[$spec->head] ??= $add($widths, "head of {$spec->tag}", means: $means);
            $build = $spec->build()->by($usual)->key();
            if ($build !== $usual->key()) {
                $buildAt[$build] ??= $add(PlayerPriors::OWN_EFFECT_SD, "build of {$spec->tag}");
            }
            // The same club under another letter is the same club.
            $placeOf[$spec->kind()] ??= $add(PlayerPriors::QUIRK_SD, "setup {$spec->tag}", $spec->kind() === $own->kind());
            $quirkAt[$spec->tag] ??= $placeOf[$spec->kind()];
        }
        foreach ($earlier as $visit) {
            $visitAt[$visit] = $add(PlayerPriors::VISIT_SD, "visit {$visit}");
        }
        $others = array_diff($heads, array_keys($headAt));
        sort($others);
        foreach (array_unique($others) as $head) {
            [$widths, $means] = $known($head);
            $headAt[$head] = $add($widths, "head {$head}", means: $means);
        }
        $variance = [];
        foreach ($sd as $i => $s) {
            $variance[] = ($s * ($i < self::MEANS ? 1.0 : $priorWidth)) ** 2;
        }
        $blocks = self::blocksOf($tested, $usual, $headAt, $buildAt, $quirkAt);

        return new self(
            $own, $mean, self::alone($variance, $blocks), $variance, $blocks, self::usualScatter($handicap), $usual, $headAt, $buildAt, $quirkAt,
            $priorWidth, PlayerPriors::SCATTER_SHOTS, $names, $visitAt,
        );
    }

    /**
     * Unknowns that nothing ties to one another.
     *
     * @param  list<float>  $variance
     * @param  list<list<int>>  $blocks
     */
    private static function alone(array $variance, array $blocks): Arrow
    {
        $precision = [];
        foreach ($variance as $i => $v) {
            $precision[$i][$i] = 1 / $v;
        }

        return new Arrow($precision, $blocks, Arrow::coreOf(count($variance), $blocks));
    }

    /**
     * Each setup's quirks, with the effects of its head and its build where no other setup has them; and every head
     * that nobody hit.
     *
     * @param  list<SetupSpec>  $tested
     * @param  array<string, int>  $headAt
     * @param  array<string, int>  $buildAt
     * @param  array<string, int>  $quirkAt
     * @return list<list<int>>
     */
    private static function blocksOf(array $tested, ClubBuild $usual, array $headAt, array $buildAt, array $quirkAt): array
    {
        $effects = static fn (int $at): array => range($at, $at + count(PlayerPriors::OWN_EFFECT_SD) - 1);
        $ofHead = $ofBuild = $blocks = [];
        foreach ($tested as $spec) {
            $ofHead[$spec->head][$quirkAt[$spec->tag]] = true;
            $ofBuild[$spec->build()->by($usual)->key()][$quirkAt[$spec->tag]] = true;
        }
        foreach ($tested as $spec) {
            $build = $spec->build()->by($usual)->key();
            $blocks[$quirkAt[$spec->tag]] ??= [
                ...range($quirkAt[$spec->tag], $quirkAt[$spec->tag] + count(PlayerPriors::QUIRK_SD) - 1),
                ...count($ofHead[$spec->head]) === 1 ? $effects($headAt[$spec->head]) : [],
                ...isset($buildAt[$build]) && count($ofBuild[$build]) === 1 ? $effects($buildAt[$build]) : [],
            ];
        }
        $blocks = array_values($blocks);
        foreach (array_diff_key($headAt, $ofHead) as $at) {
            $blocks[] = $effects($at);
        }

        return $blocks;
    }

    /**
     * Means and widths of the swing and of the factors.
     *
     * @return array{list<float>, list<float>}
     */
    private static function ofPlayer(float $clubSpeedMps, float $ownLoftDeg, float $squaringShare): array
    {
        $squaringSd = abs($squaringShare - 0.5) < self::UNSAID ? PlayerPriors::SQUARING_SD_UNSAID : PlayerPriors::SQUARING_SD;
        // What is told of a share is as wide as its prior; the part of it that comes from squaring is taken out.
        $apart = static fn (float $sd, float $ofSquaring): float => sqrt($sd ** 2 - ($ofSquaring * $squaringSd) ** 2);
        $mean = [
            $clubSpeedMps, 0.0, 0.0, $ownLoftDeg + PlayerPriors::LOFT_ADDED_DEG, 0.0, 0.0, 0.0, 0.0, 0.0, $squaringShare,
            PlayerPriors::FACE_CARRY_SOLED, PlayerPriors::LOFT_CARRY_SOLED, PlayerPriors::LOFT_PER_CG_BACK_MM,
            PlayerPriors::OPEN_PER_CG_TOE_MM, 0.0, PlayerPriors::TOE_MM_PER_POINT, PlayerPriors::SPEED_MPS_PER_POINT,
            PlayerPriors::HEAD_LOFT_CARRY,
        ];
        $sd = [
            ...PlayerPriors::MEAN_SD,
            $squaringSd,
            $apart(PlayerPriors::FACE_CARRY_SD, PlayerPriors::FACE_CARRY_OF_SQUARING),
            $apart(PlayerPriors::LOFT_CARRY_SD, PlayerPriors::LOFT_CARRY_OF_SQUARING),
            PlayerPriors::LOFT_PER_CG_BACK_MM_SD, PlayerPriors::OPEN_PER_CG_TOE_MM_SD, PlayerPriors::DRIFT_MPS_SD,
            PlayerPriors::TOE_MM_PER_POINT_SD, PlayerPriors::SPEED_MPS_PER_POINT_SD, PlayerPriors::HEAD_LOFT_CARRY_SD,
        ];

        return [$mean, $sd];
    }

    /** @return list<list<float>> */
    private static function usualScatter(?float $handicap): array
    {
        $out = [];
        $share = PlayerPriors::scatterShare($handicap);
        foreach (PlayerPriors::SCATTER_SD as $i => $s) {
            $s *= $share;
            $out[$i] = array_fill(0, Swing::SCATTERING, 0.0);
            $out[$i][$i] = $s * $s;
        }
        $out[Swing::PATH][Swing::FACE] = $out[Swing::FACE][Swing::PATH]
            = PlayerPriors::FACE_WITH_PATH * $share ** 2 * PlayerPriors::SCATTER_SD[Swing::PATH] * PlayerPriors::SCATTER_SD[Swing::FACE];

        return $out;
    }

    /**
     * The belief after these shots.
     *
     * @param  list<array{spec: SetupSpec, shots: list<LaunchShot>, order: float, visit?: int|null}>  $tested  order: how far into
     *   the session, in units of 20 shots
     */
    public function after(array $tested): self
    {
        return BeliefUpdate::of($this, $tested);
    }

    /**
     * The same unknowns, believed otherwise.
     *
     * @param  list<float>  $mean
     * @param  array<int, array<int, float>>  $scatter
     * @param  float  $wider  how many times the usual variance this player's setups have of their own
     * @param  float  $middle  how far into the session the middle of the shots lies
     * @param  array<int, float>  $narrower
     */
    public function updated(
        array $mean, Arrow $spread, array $scatter, float $scatterShots, float $wider, float $middle, array $narrower = [],
    ): self {
        return new self(
            $this->own, $mean, $spread, $this->priorVariance, $this->blocks, $scatter, $this->usual, $this->heads, $this->builds,
            $this->quirks, $this->priorWidth * sqrt($wider), $scatterShots, $this->names, $this->visits, $middle, $narrower,
        );
    }

    /**
     * How θ makes the nine values of a setup's mean swing: row by row, place in θ => factor.
     *
     * @param  float|null  $order  how far into the session, in units of 20 shots; null: at the middle of what was hit, where nothing
     *   is carried back to the first shot or on to a later one
     * @param  int|null  $visit  in which visit; the last where nobody said
     * @return array<int, array<int, float>>
     */
    public function rows(SetupSpec $spec, ?float $order = null, ?int $visit = null): array
    {
        $order ??= $this->middle;
        ['head' => $head, 'turned' => $turned] = $spec->loftOver($this->own);
        $open = $spec->soledFaceOpenDeg - $this->own->soledFaceOpenDeg; // + = right for the right-hander that this is
        $back =
            ($spec->body->cgBackMm - $this->own->body->cgBackMm) *
            ($spec->model() === $this->own->model() ? 1.0 : PlayerPriors::BETWEEN_HEADS);
        $toe = $spec->body->cgToeMm - $this->own->body->cgToeMm;
        $heavier = $spec->heavierBy($this->own);
        $rows = [];
        for ($i = 0; $i < self::MEANS; $i++) {
            $rows[$i] = [$i => 1.0];
        }
        $rows[Swing::CLUB_SPEED] += [self::AT['drift'] => $order, self::AT['speedMpsPerPoint'] => $heavier];
        $rows[Swing::LOFT] += [
            self::AT['loftApart'] => $turned, self::AT['squaring'] => PlayerPriors::LOFT_CARRY_OF_SQUARING * $turned,
            self::AT['headLoft'] => $head, self::AT['loftPerCgBackMm'] => $back,
        ];
        $rows[Swing::FACE] += [
            self::AT['faceApart'] => $open, self::AT['squaring'] => PlayerPriors::FACE_CARRY_OF_SQUARING * $open,
            self::AT['openPerCgToeMm'] => $toe,
        ];
        $rows[Swing::TOE] += [self::AT['toeMmPerPoint'] => $heavier];
        foreach ([$this->heads[$spec->model()] ?? null, $this->builds[$spec->build()->by($this->usual)->key()] ?? null] as $at) {
            foreach ($at === null ? [] : self::EFFECT_ON as $k => $i) {
                $rows[$i][$at + $k] = 1.0;
            }
        }
        foreach (isset($this->visits[$visit ?? -1]) ? range(0, Swing::SCATTERING - 1) : [] as $i) {
            $rows[$i][$this->visits[$visit ?? -1] + $i] = 1.0;
        }
        if (isset($this->quirks[$spec->tag])) {
            foreach (self::EFFECT_ON as $k => $i) {
                $rows[$i][$this->quirks[$spec->tag] + $k] = 1.0;
            }
        }

        return $rows;
    }

    /**
     * The nine values of a setup's mean swing under some θ.
     *
     * @param  array<int, array<int, float>>  $rows
     * @param  array<int, float>  $theta
     * @return array<int, float>
     */
    public static function apply(array $rows, array $theta): array
    {
        $out = [];
        foreach ($rows as $i => $row) {
            $sum = 0.0;
            foreach ($row as $j => $factor) {
                $sum += $factor * $theta[$j];
            }
            $out[$i] = $sum;
        }

        return $out;
    }

    /**
     * The nine values of a setup's mean swing.
     *
     * @param  float|null  $squaring  for a player who squares the face by this share; null: as far as this one is believed to
     * @return array<int, float>
     */
    public function swing(SetupSpec $spec, ?float $squaring = null): array
    {
        return $this->swingBy($this->rows($spec), $this->mean, $squaring);
    }

    /**
     * The nine values of a setup's mean swing under some θ, as this player puts the club down, or squaring the face
     * by a share. The own club was hit as the player puts it down; squared more or less it would come otherwise,
     * too.
     *
     * @param  array<int, array<int, float>>  $rows
     * @param  array<int, float>  $theta
     * @return array<int, float>
     */
    public function swingBy(array $rows, array $theta, ?float $squaring): array
    {
        if ($squaring === null) {
            return self::apply($rows, $theta);
        }
        $more = $squaring - $theta[self::AT['squaring']];
        $out = self::apply($rows, [self::AT['squaring'] => $squaring] + $theta);
        $out[Swing::LOFT] += $more * PlayerPriors::LOFT_CARRY_OF_SQUARING * ($this->own->squaredLoftDeg - $this->own->soledLoftDeg);
        $out[Swing::FACE] += $more * PlayerPriors::FACE_CARRY_OF_SQUARING * $this->own->soledFaceOpenDeg;

        return $out;
    }

    /**
     * What is believed of a factor: how far the face is squared, the shares of the club's loft and face that reach
     * the ball, ° for a mm of CG back or toward the toe, mm of strike and m/s of speed for a point of swing weight.
     *
     * @param  string  $name  one of `factors()`
     * @return array{mean: float, sd: float}
     */
    public function factor(string $name): array
    {
        $of = self::FACTORS[$name];

        return $this->sum(array_combine(array_map(static fn (string $at): int => self::AT[$at], array_keys($of)), $of));
    }

    /** @return array<string, int> places in θ of what a studio learns of changes, by name */
    public static function learned(): array
    {
        return array_intersect_key(self::AT, array_flip(self::LEARNED));
    }

    /** @return array<string, array{mean: float, sd: float}> what is believed of them before any fitting, by name */
    public static function usualFactors(): array
    {
        [$mean, $sd] = self::ofPlayer(0.0, 0.0, 0.5);

        return array_map(static fn (int $at): array => ['mean' => $mean[$at], 'sd' => $sd[$at]], self::learned());
    }

    /** @return list<string> names of the factors */
    public static function factors(): array
    {
        return array_keys(self::FACTORS);
    }

    /**
     * What is believed of the effects that a head or a build has of its own.
     *
     * @param  int  $at  where they begin in θ
     * @return array<string, array{mean: float, sd: float}> speed m/s, loft °, face ° (+ = right), toe mm, high mm, share of spin
     */
    public function effects(int $at): array
    {
        $out = [];
        foreach (['speedMps' => 0, 'loftDeg' => 1, 'faceDeg' => 2, 'toeMm' => 3, 'highMm' => 4, 'spin' => 6] as $name => $k) {
            $out[$name] = $this->sum([$at + $k => 1.0]);
        }
        $out['faceDeg']['mean'] *= $this->own->hand->sign();

        return $out;
    }

    /**
     * Mean and width of a sum of unknowns.
     *
     * @param  array<int, float>  $of  factor by place in θ
     * @return array{mean: float, sd: float}
     */
    private function sum(array $of): array
    {
        $mean = $variance = 0.0;
        foreach ($of as $i => $a) {
            $mean += $a * $this->mean[$i];
            foreach ($of as $j => $b) {
                $variance += $a * $b * $this->spread->covariance($i, $j);
            }
        }

        return ['mean' => $mean, 'sd' => sqrt($variance)];
    }

    /** The letter that a setup is drawn under: of one club under two letters the first. */
    public function drawnAs(SetupSpec $spec): string
    {
        $at = $this->quirks[$spec->tag] ?? null;

        return $at === null ? $spec->tag : (string) array_search($at, $this->quirks, true);
    }

    /**
     * Extra variance of a setup that nobody hit: its quirk, on the values of the swing.
     *
     * @return array<int, float> by place in the swing; empty for a setup that was hit
     */
    public function quirkVariance(SetupSpec $spec): array
    {
        $out = [];
        if (! isset($this->quirks[$spec->tag])) {
            foreach (self::EFFECT_ON as $k => $i) {
                $out[$i] = (PlayerPriors::QUIRK_SD[$k] * $this->priorWidth) ** 2;
            }
        }

        return $out;
    }
}
