<?php

declare(strict_types=1);

namespace MintCarry\Cli;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Record\Item;

/** The options behind a command, `--name value`. Options that the command does not know are refused by name. */
final readonly class Options
{
    /** @param  array<string, string>  $values */
    private function __construct(private array $values)
    {
    }

    /**
     * @param  list<string>  $arguments
     * @param  list<string>  $known
     */
    public static function read(array $arguments, array $known): self
    {
        $values = [];
        for ($i = 0; $i < count($arguments); $i++) {
            [$name, $inline] = array_pad(explode('=', $arguments[$i], 2), 2, null);
            $name = ltrim((string) $name, '-');
            if (! str_starts_with($arguments[$i], '--') || ! in_array($name, $known, true)) {
                throw InvalidInput::of(
                    $arguments[$i],
                    "Unknown option '{$arguments[$i]}'; this command knows ".
                        ($known === [] ? 'none' : '--'.implode(', --', $known)).
                        '.',
                );
            }
            $values[$name] = $inline ?? $arguments[++$i] ?? throw InvalidInput::of("--{$name}", "--{$name} needs a value.");
        }

        return new self($values);
    }

    public function text(string $name, string $default): string
    {
        return $this->values[$name] ?? $default;
    }

    public function number(string $name, float $default): float
    {
        $value = $this->values[$name] ?? null;
        if ($value !== null && ! is_numeric($value)) {
            throw InvalidInput::of("--{$name}", "--{$name} must be a number, not '{$value}'.");
        }

        return $value === null ? $default : (float) $value;
    }

    public function object(string $name): ?Item
    {
        if (! isset($this->values[$name])) {
            return null;
        }

        return Item::of(json_decode($this->values[$name], true), "--{$name}");
    }
}
