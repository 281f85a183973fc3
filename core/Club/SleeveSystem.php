<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

/**
 * An adjustable hosel with all its positions. Three kinds: "single" = one tilted bore that can be turned, "rings" = two tilted
 * rings that are turned apart, "card" = only the maker's printed changes are known and the tilt behind each is found from them.
 * What is stamped on a head holds at the home position.
 */
final readonly class SleeveSystem
{
    public const KINDS = ['single', 'rings', 'card'];

    /** Print rounds to half degrees or so: a position agrees with its print within this. */
    public const PRINT_WITHIN_DEG = 0.3;

    public const MOST_POSITIONS = 40;

    /** @param  array<string, SleevePosition>  $positions  by label, in the order given */
    private function __construct(
        public string $name, public string $kind, public string $home, public AddressHabit $printedFor, public array $positions,
    ) {
    }

    /**
     * From its description: `{name, kind, home, printedFor: "squared"|"soled", tiltDeg (single), ringTiltsDeg: [a, b] (rings),
     * positions: [{label, clockDeg (single), clocksDeg: [a, b] (rings), loftDeg?, faceOpenDeg?, lieDeg?}]}`. Printed changes are
     * from the home position.
     *
     * @param  array<string, mixed>  $spec
     * @param  HeadReading  $at  the head whose loft and lie the card was printed for
     *
     * @throws InvalidInput that names the position and what is wrong with it
     */
    public static function fromArray(array $spec, HeadReading $at = new HeadReading(10.5)): self
    {
        $name = self::text($spec['name'] ?? null, 'name');
        $kind = is_string($spec['kind'] ?? null) ? $spec['kind'] : '';
        if (! in_array($kind, self::KINDS, true)) {
            throw InvalidInput::of('kind', 'A sleeve is single (one tilt, turned), rings (two rings) or card (printed changes only).');
        }
        $printedFor = $spec['printedFor'] ?? 'squared';
        $for = (is_string($printedFor) ? AddressHabit::tryFrom($printedFor) : null)
            ?? throw InvalidInput::of('printedFor', 'Changes are printed for a squared or a soled face.');
        $rows = is_array($spec['positions'] ?? null) ? array_values($spec['positions']) : [];
        if ($rows === [] || count($rows) > self::MOST_POSITIONS) {
            throw InvalidInput::of(
                'positions', sprintf('A sleeve has between 1 and %d positions, not %d.', self::MOST_POSITIONS, count($rows)),
            );
        }
        $positions = [];
        foreach ($rows as $i => $row) {
            $row = is_array($row) ? $row : [];
            $label = self::text($row['label'] ?? null, "positions.{$i}.label", 12);
            if (isset($positions[$label])) {
                throw InvalidInput::of("positions.{$i}.label", "Two positions are labelled '{$label}'; each needs a label of its own.");
            }
            try {
                $printed = new SleeveChange(self::number($row, 'loftDeg'), self::number($row, 'faceOpenDeg'), self::number($row, 'lieDeg'));
                $positions[$label] = new SleevePosition($label, self::tilts($kind, $spec, $row, $printed, $for, $at), $printed);
            } catch (InvalidInput $e) {
                throw InvalidInput::of("positions.{$i}", "Position '{$label}': ".$e->getMessage());
            }
        }
        $home = $spec['home'] ?? '';
        if (! is_string($home)) {
            throw InvalidInput::of('home', 'The home position is the label of one of the positions.');
        }
        $home = $home === '' ? (string) array_key_first($positions) : $home;
        if (! isset($positions[$home])) {
            throw InvalidInput::of('home', "The home position '{$home}' is not one of ".implode(', ', array_keys($positions)).'.');
        }

        return new self($name, $kind, $home, $for, $positions);
    }

    /** A hosel that cannot be turned. */
    public static function fixed(): self
    {
        return new self('not adjustable', 'single', '', AddressHabit::Squared, ['' => new SleevePosition('', [])]);
    }

    public function position(string $label): SleevePosition
    {
        return $this->positions[$label] ??
            throw InvalidInput::of(
                'position',
                "The sleeve {$this->name} has no position '{$label}'; it has ".implode(', ', array_keys($this->positions)).'.',
            );
    }

    public function home(): SleevePosition
    {
        return $this->position($this->home);
    }

    /**
     * Loft, face and lie of a head at every position.
     *
     * @param  HeadReading  $straight  the head with a straight shaft (`PlayingGeometry::straighten`)
     * @return list<array{label: string, loftDeg: float, faceOpenDeg: float, lieDeg: float}>
     */
    public function plane(HeadReading $straight, float $squaringShare): array
    {
        return array_map(static function (SleevePosition $p) use ($straight, $squaringShare): array {
            $g = PlayingGeometry::present($straight, $p->tilts, $squaringShare);

            return ['label' => $p->label, 'loftDeg' => $g->loftDeg, 'faceOpenDeg' => $g->faceOpenDeg, 'lieDeg' => $g->lieDeg];
        }, array_values($this->positions));
    }

    /**
     * What geometry gives at every position against what is printed, as changes from home: loft as squared (or on the sole, where
     * it cannot change), face as it sits, lie.
     *
     * @return list<array{label: string, loftDeg: float, faceOpenDeg: float, lieDeg: float, missDeg: float, agrees: bool}>
     */
    public function check(HeadReading $stated): array
    {
        $straight = PlayingGeometry::straighten($stated, $this->home()->tilts, AddressHabit::Soled);
        $at = static fn (SleevePosition $p, float $squaringShare): PlayingGeometry => PlayingGeometry::present(
            $straight, $p->tilts, $squaringShare,
        );
        $home = [$at($this->home(), 1.0), $at($this->home(), 0.0)];
        $out = [];
        foreach ($this->positions as $position) {
            $change = [
                'loftDeg' => $this->printedFor === AddressHabit::Squared ? $at($position, 1.0)->loftDeg - $home[0]->loftDeg : 0.0,
                'faceOpenDeg' => $at($position, 0.0)->faceOpenDeg - $home[1]->faceOpenDeg,
                'lieDeg' => $at($position, 0.0)->lieDeg - $home[1]->lieDeg,
            ];
            $miss = 0.0;
            foreach (
                [
                    'loftDeg' => $position->printed->loftDeg, 'faceOpenDeg' => $position->printed->faceOpenDeg,
                    'lieDeg' => $position->printed->lieDeg,
                ] as $what => $printed
            ) {
                $miss = max($miss, $printed === null ? 0.0 : abs($change[$what] - $printed));
            }
            $out[] = ['label' => $position->label] + $change + ['missDeg' => $miss, 'agrees' => $miss <= self::PRINT_WITHIN_DEG];
        }

        return $out;
    }

    /**
     * @param  array<mixed>  $spec
     * @param  array<mixed>  $row
     * @return list<SleeveTilt>
     */
    private static function tilts(string $kind, array $spec, array $row, SleeveChange $printed, AddressHabit $for, HeadReading $at): array
    {
        if ($kind === 'card') {
            return SleeveCard::solve($at, $printed, $for)->tilts();
        }
        if ($kind === 'single') {
            $tilt = self::number($spec, 'tiltDeg') ?? throw InvalidInput::of('tiltDeg', 'The tilt of the bore is missing.');
            $clock = self::number($row, 'clockDeg') ?? throw InvalidInput::of('clockDeg', 'Where it points on the clock is missing.');

            return $tilt < 1e-9 ? [] : [new SleeveTilt($tilt, $clock)];
        }
        [$tilts, $clocks] = [$spec['ringTiltsDeg'] ?? null, $row['clocksDeg'] ?? null];
        if (
            ! is_array($tilts) ||
            ! is_array($clocks) ||
            count($tilts) !== 2 ||
            count($clocks) !== 2 ||
            array_filter([...$tilts, ...$clocks], static fn (mixed $v): bool => ! is_numeric($v)) !== []
        ) {
            throw InvalidInput::of('clocksDeg', 'Two rings need two tilts and two places on the clock.');
        }

        return array_map(
            static fn (mixed $tilt, mixed $clock): SleeveTilt => new SleeveTilt((float) $tilt, (float) $clock),
            array_values($tilts), array_values($clocks),
        );
    }

    /** @param  array<mixed>  $from */
    private static function number(array $from, string $key): ?float
    {
        $value = $from[$key] ?? null;
        if ($value === null || $value === '') {
            return null;
        }
        if (! is_numeric($value)) {
            throw InvalidInput::of($key, "{$key} is not a number.");
        }

        return (float) $value;
    }

    private static function text(mixed $value, string $field, int $longest = 60): string
    {
        $text = is_string($value) || is_int($value) || is_float($value) ? trim((string) $value) : '';
        if ($text === '' || mb_strlen($text) > $longest) {
            throw InvalidInput::of($field, $text === '' ? 'A name is missing.' : "'{$text}' is too long; {$longest} letters fit.");
        }

        return $text;
    }
}
