<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Models\RackHead;
use App\Models\User;

/** Brings the rack that a fitting file carries onto a studio's own. */
final readonly class FileRack
{
    public function __construct(private User $user)
    {
    }

    /**
     * The heads of the file on this studio's rack. One that is there and the same is used; one that is there under the same name
     * but not the same comes in under a name of its own.
     *
     * @param  array<string, mixed>  $rack
     * @return array{array<string, RackHead>, array{added: list<string>, there: list<string>}} heads by their label in the file
     */
    public function heads(array $rack): array
    {
        $file = new RackImporter($this->user);
        $done = $file->add(['sleeves' => $rack['sleeves'] ?? [], 'parts' => $rack['parts'] ?? []]);
        $mine = fn () => RackHead::query()
            ->where('studio_id', $this->user->studio_id)->whereNull('retired_at')->with(['sleeve', 'readings']);
        $out = [];
        foreach (array_values((array) ($rack['heads'] ?? [])) as $head) {
            $label = (string) $head['label'];
            $found = null;
            $name = $label;
            for ($n = 2; $found === null; $n++) {
                $there = $mine()->where('label', $name)->where('hand', $head['hand'])->first();
                if ($there === null) {
                    $file->add(['heads' => [['label' => $name] + array_diff_key($head, ['retired' => 1])]]);
                    $found = $mine()->where('label', $name)->where('hand', $head['hand'])->firstOrFail();
                    $done['added'][] = $name;
                    if ($head['retired'] ?? false) {
                        $found->update(['retired_at' => now()]);
                    }
                } elseif (self::identity(RackExporter::head($there)) === self::identity($head)) {
                    $found = $there;
                    $done['there'][] = $name;
                } else {
                    $name = mb_substr($label, 0, 74)." ({$n})";
                }
            }
            $out[$label] ??= $found;
        }

        return [$out, $done];
    }

    /**
     * What makes a head this one: when it was read, and what it costs here, do not; nor that a file of before says no source.
     *
     * @param  array<string, mixed>  $head  as a file has it
     */
    private static function identity(array $head): string
    {
        unset($head['retired'], $head['supply'], $head['note'], $head['label']);
        $head['readings'] = array_map(
            fn (array $r): array => array_diff_key($r, ['at' => 1, 'way' => 1, 'note' => 1]) + ['source' => 'measured'],
            $head['readings'] ?? [],
        );
        ksort($head);

        return (string) json_encode(json_decode((string) json_encode($head), true), JSON_PRESERVE_ZERO_FRACTION | JSON_NUMERIC_CHECK);
    }
}
