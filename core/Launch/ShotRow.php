<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

/** One row of a launch file as it was read. `kind`: shot, summary (an average or deviation row), header (repeated), repeat, or bad. */
final readonly class ShotRow
{
    /**
     * @param  array<string, float>  $values  by field name, in kept units and signs
     * @param  array<string, string>  $typed  by field name, the cell as it stood in the file
     * @param  list<Issue>  $issues
     * @param  string|null  $leftOut  why the shot did not count, in a table of our own
     */
    public function __construct(
        public int $line,
        public string $kind,
        public array $values,
        public array $typed,
        public ?string $setupTag,
        public ?string $hitAt,
        public ?string $note,
        public array $issues,
        public ?string $leftOut = null,
    ) {
    }

    public function isReadable(): bool
    {
        foreach ($this->issues as $issue) {
            if ($issue->refused) {
                return false;
            }
        }

        return $this->kind === 'shot';
    }

    /**
     * What makes a shot the same shot in a second export: its measured launch. Rounded so that a change of unit keeps it.
     *
     * @param  array<string, float>  $values
     */
    public static function keyOf(array $values, ?string $hitAt): string
    {
        $parts = [];
        foreach (
            [
                'ballSpeedMps' => 0.05, 'launchDeg' => 0.1, 'spinRpm' => 2.0, 'directionDeg' => 0.1, 'spinAxisDeg' => 0.1,
                'clubSpeedMps' => 0.05,
            ] as $field => $grain
        ) {
            $parts[] = isset($values[$field]) ? (string) round($values[$field] / $grain) : '';
        }

        return hash('xxh128', implode('|', [...$parts, $hitAt ?? '']));
    }
}
