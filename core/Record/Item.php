<?php

declare(strict_types=1);

namespace MintCarry\Core\Record;

use MintCarry\Core\Errors\InvalidInput;

/**
 * One JSON object of the input, read strictly: each key is asked for by name and type, and a key nobody asked for is refused by
 * `done()`.
 */
final class Item
{
    /** @var array<array-key, true> */
    private array $asked = [];

    /** @param  array<mixed>  $data */
    private function __construct(private readonly array $data, private readonly string $path)
    {
    }

    public static function of(mixed $data, string $path = ''): self
    {
        if (! is_array($data) || ($data !== [] && array_is_list($data))) {
            throw InvalidInput::of($path === '' ? 'item' : $path, ($path === '' ? 'An item' : "'{$path}'").' must be a JSON object.');
        }

        return new self($data, $path);
    }

    public function has(string $key): bool
    {
        return isset($this->data[$key]);
    }

    public function number(string $key, ?float $default = null): float
    {
        return $this->optional($key) ?? $default ?? throw InvalidInput::of($this->name($key), "'{$this->name($key)}' is missing.");
    }

    public function optional(string $key): ?float
    {
        $value = $this->take($key);
        if ($value === null) {
            return null;
        }
        if (! is_int($value) && ! is_float($value) || ! is_finite((float) $value)) {
            throw InvalidInput::of($this->name($key), "'{$this->name($key)}' must be a number.");
        }

        return (float) $value;
    }

    /** A whole number within [low, high]. */
    public function whole(string $key, int $low, int $high): int
    {
        $value = $this->number($key);
        if (floor($value) !== $value || $value < $low || $value > $high) {
            throw InvalidInput::of($this->name($key), "'{$this->name($key)}' must be a whole number from {$low} to {$high}.");
        }

        return (int) $value;
    }

    /** @param  list<string>  $choices */
    public function choice(string $key, array $choices, ?string $default = null): string
    {
        $value = $this->take($key) ?? $default;
        if (! is_string($value) || ! in_array($value, $choices, true)) {
            throw InvalidInput::of($this->name($key), "'{$this->name($key)}' must be one of ".implode(', ', $choices).'.');
        }

        return $value;
    }

    public function flag(string $key, bool $default): bool
    {
        $value = $this->raw($key) ?? $default;

        return is_bool($value) ? $value : throw InvalidInput::of($key, "'{$key}' must be true or false.");
    }

    public function text(string $key): string
    {
        $value = $this->take($key);
        if (! is_string($value) || $value === '') {
            throw InvalidInput::of($this->name($key), "'{$this->name($key)}' must be a text.");
        }

        return $value;
    }

    public function object(string $key): ?self
    {
        $value = $this->take($key);

        return $value === null ? null : self::of($value, $this->name($key));
    }

    /** @return list<self> */
    public function objects(string $key, bool $required = false): array
    {
        $value = $this->take($key);
        if ($value === null && ! $required) {
            return [];
        }
        if (! is_array($value) || ! array_is_list($value)) {
            throw InvalidInput::of($this->name($key), "'{$this->name($key)}' must be a list.");
        }

        return array_map(fn (int $i): self => self::of($value[$i], $this->name($key)."[{$i}]"), array_keys($value));
    }

    /** @return array<string, float> an object whose keys are free and whose values are numbers */
    public function numbers(string $key): array
    {
        $inner = $this->object($key);
        $out = [];
        foreach (array_keys($inner->data ?? []) as $name) {
            $out[(string) $name] = $inner?->number((string) $name) ?? 0.0;
        }

        return $out;
    }

    /** @return array{array{float, float, float}, array{float, float, float}, array{float, float, float}}|null */
    public function tensor(string $key): ?array
    {
        $raw = $this->take($key);
        if ($raw === null) {
            return null;
        }
        $at = function (int $i, int $j) use ($raw, $key): float {
            $row = is_array($raw) ? $raw[$i] ?? null : null;
            $value = is_array($row) ? $row[$j] ?? null : null;
            if (! is_int($value) && ! is_float($value)) {
                throw InvalidInput::of($key, "'{$key}' must be three rows of three numbers, g·cm².");
            }

            return (float) $value;
        };

        return [[$at(0, 0), $at(0, 1), $at(0, 2)], [$at(1, 0), $at(1, 1), $at(1, 2)], [$at(2, 0), $at(2, 1), $at(2, 2)]];
    }

    /** @return array<string, mixed> as it stands, all keys taken */
    public function all(): array
    {
        $this->asked = array_fill_keys(array_keys($this->data), true);

        return $this->data;
    }

    public function raw(string $key): mixed
    {
        return $this->take($key);
    }

    /** Says at once which keys there are, so that a misspelt one is named rather than the one it should have been. */
    public function only(string ...$keys): self
    {
        foreach (array_keys($this->data) as $key) {
            if (! in_array((string) $key, $keys, true)) {
                throw InvalidInput::of(
                    $this->name((string) $key), "Unknown key '{$this->name((string) $key)}'; known here: ".implode(', ', $keys).'.',
                );
            }
        }

        return $this;
    }

    /** Refuses what nobody asked for: a misspelt key must not become a default. */
    public function done(): void
    {
        foreach (array_keys($this->data) as $key) {
            if (! isset($this->asked[(string) $key])) {
                throw InvalidInput::of(
                    $this->name((string) $key),
                    "Unknown key '{$this->name((string) $key)}'; known here: ".implode(', ', array_keys($this->asked)).'.',
                );
            }
        }
    }

    private function take(string $key): mixed
    {
        $this->asked[$key] = true;

        return $this->data[$key] ?? null;
    }

    private function name(string $key): string
    {
        return $this->path === '' ? $key : "{$this->path}.{$key}";
    }
}
