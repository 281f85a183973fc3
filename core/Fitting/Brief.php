<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\Turf;

use function is_finite;

/**
 * Who the player is, what they want, and where they play: the brief that sets targets and scoring. Lengths m, speeds
 * m/s, temperature °C; a null is something nobody said. The player's hand is the player's, not the brief's.
 */
final readonly class Brief
{
    public const WEIGHTS = ['carry', 'run', 'fairways', 'height'];

    /**
     * The school of flight that sets the target: what is longest in the air, what runs, or what still carries when
     * it is caught low.
     */
    public const SCHOOLS = ['longest carry', 'guarded height', 'flat and running'];

    public const CHOICES = [
        'shape' => ['unknown', 'straight', 'draw', 'fade', 'hook', 'slice'],
        'miss' => ['unknown', 'left', 'right', 'two-way', 'low', 'high', 'heel', 'toe'],
        'habit' => ['unknown', 'soled', 'squared'],
        'startSide' => ['any', 'left', 'at the target', 'right'],
        'purchase' => ['open', 'adjust before buying', 'keep the head'],
        'school' => self::SCHOOLS,
        'scoring' => ['fewest strokes', 'straightest', 'longest', 'guarded height', 'running', 'feel first', 'own weights'],
        'turf' => ['soft', 'medium', 'firm'],
    ];

    public const LISTS = [
        'wants' => ['carry', 'run', 'fairways', 'height', 'lower flight', 'less spin', 'hold a draw', 'hold a fade', 'feel'],
        'never' => ['left', 'right', 'two-way miss', 'low runner', 'balloon'],
        // What the player is asked after a trial's last shot; the others are behind one more key.
        'asked' => ['confidence', 'looks', 'feel', 'sound'],
    ];

    /** Words of before, and what is said today: a target of 2600 rpm is no low spin. */
    private const OLDER = ['low scooter' => 'low runner', 'high launch, low spin' => 'longest carry'];

    /** Bounds and unit of each number. */
    public const NUMBERS = [
        'carryM' => [60, 340, 'm'], 'clubSpeedMps' => [20, 70, 'm/s'], 'attackDeg' => [-12, 12, '°'], 'handicap' => [-8, 54, ''], 'windMps' => [0, 20, 'm/s'],
        'windFromDeg' => [0, 360, '°'], 'altitudeM' => [-400, 4000, 'm'], 'temperatureC' => [-15, 50, '°C'],
        'holeLengthM' => [200, 600, 'm'], 'sixIronApexM' => [5, 60, 'm'], 'swings' => [4, 300, ''], 'minutes' => [10, 480, ''],
        'money' => [0, 100000, ''], 'labour' => [0, 100000, ''], 'sureToBuy' => [0.5, 0.99, ''],
    ];

    public const TEXTS = ['wish' => 500, 'ball' => 80, 'feel' => 1000, 'currency' => 8, 'guardian' => 80];

    public const LABELS = [
        'shape' => 'usual shape', 'miss' => 'usual miss', 'carryM' => 'typical carry', 'clubSpeedMps' => 'club speed',
        'attackDeg' => 'attack angle', 'handicap' => 'handicap', 'wants' => 'wants more of', 'never' => 'must never see', 'wish' => 'in their words',
        'turf' => 'ground', 'windMps' => 'wind', 'windFromDeg' => 'wind from', 'altitudeM' => 'altitude',
        'temperatureC' => 'temperature', 'corridor' => 'corridor', 'holeLengthM' => 'driving holes',
        'sixIronApexM' => 'six-iron apex', 'ball' => 'ball', 'habit' => 'address habit', 'feel' => 'feel notes',
        'swings' => 'swings', 'minutes' => 'minutes', 'money' => 'money', 'labour' => 'labour', 'currency' => 'currency', 'purchase' => 'purchase', 'sureToBuy' => 'chance before buying',
        'startSide' => 'start side', 'school' => 'flight school', 'scoring' => 'scoring', 'weights' => 'own weights',
        'aimFree' => 'may re-aim', 'consent' => 'consent', 'minor' => 'minor', 'guardian' => 'guardian', 'asked' => 'asked after a trial',
    ];

    /**
     * @param  list<string>  $wants
     * @param  list<string>  $never
     * @param  list<string>  $asked
     * @param  array<string, float>  $weights  of the scoring "own weights": carry, run, fairways, height, 0 … 10
     *
     * @throws InvalidInput naming the field that cannot be
     */
    public function __construct(
        public string $shape = 'unknown',
        public string $miss = 'unknown',
        public ?float $carryM = null,
        public ?float $clubSpeedMps = null,
        public ?float $attackDeg = null,
        public ?float $handicap = null,
        public array $wants = [],
        public array $never = [],
        public string $wish = '',
        public string $turf = 'medium',
        public float $windMps = 0.0,
        public float $windFromDeg = 0.0,
        public float $altitudeM = 0.0,
        public float $temperatureC = 18.0,
        public Corridor $corridor = new Corridor,
        public float $holeLengthM = 370.0,
        public ?float $sixIronApexM = null,
        public string $ball = '',
        public string $habit = 'unknown',
        public string $feel = '',
        public ?float $swings = null,
        public ?float $minutes = null,
        public ?float $money = null,
        /** What fitting and building a club costs here, in the brief's currency. */
        public ?float $labour = null,
        /** From which chance on that it is better something is advised to be bought; null: 0.8. */
        public ?float $sureToBuy = null,
        public string $currency = '',
        public string $purchase = 'open',
        public string $startSide = 'any',
        public string $school = 'longest carry',
        public string $scoring = 'fewest strokes',
        public array $weights = [],
        public bool $aimFree = true,
        public bool $consent = false,
        public bool $minor = false,
        public string $guardian = '',
        public array $asked = ['confidence'],
    ) {
        $this->requireSound();
    }

    /** @throws InvalidInput naming the field that cannot be */
    private function requireSound(): void
    {
        $values = get_object_vars($this);
        foreach (self::CHOICES as $field => $choices) {
            self::requireOneOf($field, $values[$field], $choices);
        }
        foreach (self::LISTS as $field => $choices) {
            foreach ($values[$field] as $chosen) {
                self::requireOneOf($field, $chosen, $choices);
            }
        }
        foreach (self::NUMBERS as $field => [$low, $high, $unit]) {
            if ($values[$field] !== null) {
                InvalidInput::requireWithin($field, $values[$field], $low, $high, $unit);
            }
        }
        foreach (self::TEXTS as $field => $longest) {
            if (mb_strlen($values[$field]) > $longest) {
                throw InvalidInput::of(
                    $field,
                    sprintf('%s has %d letters; %d fit.', ucfirst(self::LABELS[$field]), mb_strlen($values[$field]), $longest),
                );
            }
        }
        foreach ($this->weights as $name => $weight) {
            self::requireOneOf('weights', (string) $name, self::WEIGHTS);
            InvalidInput::requireWithin("weights.{$name}", $weight, 0, 10);
        }
        if ($this->scoring === 'own weights' && array_sum($this->weights) <= 0) {
            throw InvalidInput::of('weights', 'At least one of your own weights must be above 0: carry, run, fairways or height.');
        }
        if ($this->minor && $this->consent && trim($this->guardian) === '') {
            throw InvalidInput::of('guardian', 'For a minor the guardian gives consent: type the guardian’s name.');
        }
    }

    /**
     * How far this player is taken to square the face at address: 1 fully, 0 lets it sit. Priors of docs/physics.md,
     * until shots say more.
     */
    public function squaringShare(): float
    {
        return ['soled' => 0.2, 'squared' => 0.8, 'unknown' => 0.5][$this->habit];
    }

    /** The same brief under another scoring. */
    public function scoredBy(Scoring $scoring): self
    {
        return new self(...['scoring' => $scoring->value] + get_object_vars($this));
    }

    public function scoring(): Scoring
    {
        return Scoring::from($this->scoring);
    }

    public function strokes(): ExpectedStrokes
    {
        return ExpectedStrokes::forHandicap($this->handicap);
    }

    public function turf(): Turf
    {
        return Turf::from($this->turf);
    }

    /** @return array<string, mixed> every field; the corridor as widthM, left and right */
    public function toArray(): array
    {
        $side = static fn (Trouble $t): array => ['kind' => $t->kind, 'atM' => $t->atM];

        return [
            'corridor' => [
                'widthM' => $this->corridor->widthM, 'left' => $side($this->corridor->left),
                'right' => $side($this->corridor->right),
            ],
            'weights' => (object) $this->weights,
        ] + get_object_vars($this);
    }

    /**
     * @param  array<string, mixed>  $data  any of the fields; those not named keep their defaults
     *
     * @throws InvalidInput for an unknown field or a value of the wrong kind
     */
    public static function fromArray(array $data): self
    {
        $values = [];
        foreach ($data as $field => $value) {
            $values[$field] = match (true) {
                $field === 'corridor' => self::corridor($value),
                $field === 'weights' => self::weights($value),
                isset(self::LISTS[$field]) => array_values(
                    array_map(
                        fn (mixed $v): string => is_scalar($v)
                            ? self::OLDER[(string) $v] ?? (string) $v
                            : throw InvalidInput::of($field, ucfirst(self::LABELS[$field]).' must be a list of words.'),
                        (array) $value,
                    ),
                ),
                isset(self::NUMBERS[$field]) => self::number($field, $value),
                in_array($field, ['aimFree', 'consent', 'minor'], true) => (bool) $value,
                isset(self::CHOICES[$field]) => is_scalar($value) ? self::OLDER[(string) $value] ?? (string) $value : '',
                isset(self::TEXTS[$field]) => is_scalar($value) ? (string) $value : '',
                default => throw InvalidInput::of((string) $field, "The brief has no field '{$field}'."),
            };
        }

        return new self(...$values); // @phpstan-ignore argument.type (the kind of each value was settled above)
    }

    /**
     * What differs from an earlier brief.
     *
     * @return list<array{field: string, label: string, from: mixed, to: mixed}>
     */
    public function changesFrom(self $earlier): array
    {
        [$now, $then] = [$this->toArray(), $earlier->toArray()];
        $out = [];
        foreach (self::LABELS as $field => $label) {
            if (json_encode($now[$field]) !== json_encode($then[$field])) {
                $out[] = ['field' => $field, 'label' => $label, 'from' => $then[$field], 'to' => $now[$field]];
            }
        }

        return $out;
    }

    private static function corridor(mixed $value): Corridor
    {
        $side = static fn (mixed $t): Trouble => new Trouble(
            is_array($t) && is_string($t['kind'] ?? null) ? $t['kind'] : 'rough',
            is_array($t) && is_numeric($t['atM'] ?? null) ? (float) $t['atM'] : null,
        );
        if (! is_array($value) || ! is_numeric($value['widthM'] ?? null)) {
            throw InvalidInput::of('corridor', 'The corridor needs a width.');
        }

        return new Corridor((float) $value['widthM'], $side($value['left'] ?? null), $side($value['right'] ?? null));
    }

    /** @return array<string, float> */
    private static function weights(mixed $value): array
    {
        $weights = [];
        foreach (is_array($value) || is_object($value) ? (array) $value : [] as $name => $weight) {
            if (! is_numeric($weight) || ! is_finite((float) $weight)) {
                throw InvalidInput::of('weights', "Own weights: '{$name}' is not a number.");
            }
            $weights[(string) $name] = (float) $weight;
        }

        return $weights;
    }

    private static function number(string $field, mixed $value): ?float
    {
        if ($value === null) {
            return in_array($field, ['windMps', 'windFromDeg', 'altitudeM', 'temperatureC', 'holeLengthM'], true)
                ? throw InvalidInput::of($field, ucfirst(self::LABELS[$field]).' is missing.')
                : null;
        }
        if (! is_numeric($value) || ! is_finite((float) $value)) {
            throw InvalidInput::of($field, ucfirst(self::LABELS[$field]).' is not a number.');
        }

        return (float) $value;
    }

    /** @param  list<string>  $choices */
    private static function requireOneOf(string $field, string $value, array $choices): void
    {
        if (! in_array($value, $choices, true)) {
            throw InvalidInput::of(
                $field, sprintf("%s: '%s' is not one of %s.", ucfirst(self::LABELS[$field]), $value, implode(', ', $choices)),
            );
        }
    }
}
