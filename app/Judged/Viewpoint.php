<?php

declare(strict_types=1);

namespace App\Judged;

use Illuminate\Http\Request;

/** How a fitting is looked at: at one of several swings, and with or without what earlier fittings showed of the heads. */
final readonly class Viewpoint
{
    private const LONGEST_ASKED = 190;

    /** @param  string|null  $swing  null: the one that most shots were hit with */
    public function __construct(public ?string $swing = null, public bool $isRemembering = true)
    {
    }

    public static function asked(Request $request): self
    {
        $given = $request->validate(['swing' => ['nullable', 'string', 'max:20'], 'memory' => ['nullable', 'in:without']]);

        return new self($given['swing'] ?? null, ! isset($given['memory']));
    }

    /**
     * The name of what was asked; empty for what everybody is shown first.
     *
     * @param  array<string, string>  $options  what was asked beside it
     */
    public function key(array $options = []): string
    {
        $options += array_filter(['swing' => $this->swing, 'memory' => $this->isRemembering ? null : 'without']);
        ksort($options);
        $asked = http_build_query($options);

        return strlen($asked) <= self::LONGEST_ASKED ? $asked : hash('xxh128', $asked);
    }
}
