<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Errors\InvalidInput;

/**
 * What a player says of their own game before they come. It becomes the first draft of a brief: only where nobody has said anything yet, and
 * marked as theirs as long as the brief says the same.
 */
final readonly class PlayersWords
{
    /** How wide the course is, as players tell it: a corridor in m. Common practice, no source. */
    public const WIDTHS = ['narrow' => 22.0, 'usual' => 32.0, 'wide' => 42.0];

    /** Fields of the brief that a player speaks of. */
    public const FIELDS = ['shape', 'miss', 'carryM', 'handicap', 'wants', 'never', 'wish', 'turf', 'ball'];

    public const TEXTS = ['course' => 120, 'club' => 200, 'pain' => 500];

    /**
     * @param  array<string, mixed>  $fields  of the brief, those that were said
     * @param  'narrow'|'usual'|'wide'|null  $width
     * @param  array<string, string>  $trouble  kind by side, left and right
     */
    private function __construct(public array $fields, public ?string $width, public array $trouble, public string $course, public string $club)
    {
    }

    /**
     * @param  array<string, mixed>  $said  fields of the brief, and width, left, right, course, club; a null or an empty one was not said
     *
     * @throws InvalidInput naming the field that cannot be
     */
    public static function of(array $said): self
    {
        $said = array_filter($said, static fn (mixed $v): bool => $v !== null && $v !== '' && $v !== [] && $v !== 'unknown');
        $known = [...self::FIELDS, 'width', 'left', 'right', 'course', 'club'];
        foreach (array_keys($said) as $field) {
            in_array($field, $known, true) || throw InvalidInput::of((string) $field, "'{$field}' is nothing that is asked of a player.");
        }
        $width = $said['width'] ?? null;
        if ($width !== null && ! isset(self::WIDTHS[$width])) {
            throw InvalidInput::of('width', 'How wide the course is: '.implode(', ', array_keys(self::WIDTHS)).'.');
        }
        foreach (['course', 'club'] as $text) {
            if (! is_string($said[$text] ?? '') || mb_strlen($said[$text] ?? '') > self::TEXTS[$text]) {
                throw InvalidInput::of($text, sprintf('Up to %d letters fit.', self::TEXTS[$text]));
            }
        }
        $words = new self(
            array_intersect_key($said, array_flip(self::FIELDS)), $width, array_intersect_key($said, ['left' => 1, 'right' => 1]),
            trim($said['course'] ?? ''), trim($said['club'] ?? ''),
        );
        // A brief made of it says what cannot be, by its field.
        $words->onto(new Brief);

        return $words;
    }

    /** The brief with what the player said wherever it still says nothing of its own. */
    public function onto(Brief $brief): Brief
    {
        return $this->into($brief, static fn (mixed $now, mixed $empty): bool => $now === $empty);
    }

    /** The brief with all that the player said, whatever it said before: an earlier one, of another time. */
    public function over(Brief $brief): Brief
    {
        return $this->into($brief, static fn (): bool => true);
    }

    /** @param  callable(mixed, mixed): bool  $takes  whether what is said goes in, by what stands there and what an empty brief says */
    private function into(Brief $brief, callable $takes): Brief
    {
        [$now, $empty] = [$brief->toArray(), (new Brief)->toArray()];
        foreach ($this->fields as $field => $value) {
            $now[$field] = $takes($now[$field], $empty[$field]) ? $value : $now[$field];
        }
        if ($this->width !== null && $takes($now['corridor']['widthM'], $empty['corridor']['widthM'])) {
            $now['corridor']['widthM'] = self::WIDTHS[$this->width];
        }
        foreach ($this->trouble as $side => $kind) {
            if ($takes($now['corridor'][$side]['kind'], $empty['corridor'][$side]['kind'])) {
                $now['corridor'][$side] = ['kind' => $kind, 'atM' => null];
            }
        }

        return Brief::fromArray($now);
    }

    /** @return list<string> fields of a brief, with dots, that still say what the player said */
    public function standingIn(Brief $brief): array
    {
        $now = $brief->toArray();
        $same = array_keys(array_filter($this->fields, static fn (mixed $v, string $f): bool => $now[$f] == $v, ARRAY_FILTER_USE_BOTH));
        if ($this->width !== null && abs($now['corridor']['widthM'] - self::WIDTHS[$this->width]) < 1e-6) {
            $same[] = 'corridor.widthM';
        }
        foreach ($this->trouble as $side => $kind) {
            if ($now['corridor'][$side]['kind'] === $kind) {
                $same[] = "corridor.{$side}.kind";
            }
        }

        return $same;
    }

    /** The brief without what still stands in it as it was said here. */
    public function withdrawnFrom(Brief $brief): Brief
    {
        [$now, $empty] = [$brief->toArray(), (new Brief)->toArray()];
        foreach ($this->standingIn($brief) as $field) {
            $at = explode('.', $field);
            if (count($at) === 1) {
                $now[$at[0]] = $empty[$at[0]];
            } else {
                $now[$at[0]][$at[1]] = $empty[$at[0]][$at[1]];
            }
        }

        return Brief::fromArray($now);
    }

    /** @return array<string, mixed> as it was said, to be kept */
    public function toArray(): array
    {
        return array_filter(
            $this->fields + ['width' => $this->width] + $this->trouble + ['course' => $this->course, 'club' => $this->club],
            static fn (mixed $v): bool => $v !== null && $v !== '',
        );
    }
}
