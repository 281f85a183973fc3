<?php

declare(strict_types=1);

namespace MintCarry\Cli;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Turf;
use MintCarry\Core\Record\Item;
use MintCarry\Core\Report\Readers;

/** The options behind a command, `--name value`. Options that the command does not know are refused by name. */
final readonly class Options
{
    public const OF_FLIGHT = ['air', 'turf', 'rise-m', 'slope-deg', 'points'];

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

    /** The flight in the air, on the ground and over the rise that the options tell. */
    public function flight(): BallFlight
    {
        [$air, $wind] = Readers::air($this->object('air'));
        $turf =
            Turf::tryFrom($this->text('turf', 'medium')) ??
            throw InvalidInput::of('--turf', "--turf must be soft, medium or firm, not '{$this->text('turf', '')}'.");

        return new BallFlight($air, $wind, turf: $turf, riseM: $this->number('rise-m', 0), slopeDeg: $this->number('slope-deg', 0));
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
