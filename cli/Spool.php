<?php

declare(strict_types=1);

namespace MintCarry\Cli;

/**
 * What a monitor has hit and nobody has answered yet, on disk: a run that was cut off in the middle leaves it behind, and the
 * next run for the same bay sends it. Each run holds a lock on a file of its own, so that what is still in use is told from what
 * was left. Each line is all that waited at a moment: the last whole one counts, and one that was cut off while it was written
 * takes nothing with it.
 */
final class Spool
{
    /** @var resource */
    private $file;

    private readonly string $path;

    private bool $empty = true;

    /** @param  string  $for  names the bay; runs for the same bay find what others left */
    public function __construct(private readonly string $folder, private readonly string $for)
    {
        if (! is_dir($folder) && ! @mkdir($folder, 0770, true) && ! is_dir($folder)) {
            throw new \RuntimeException("The folder {$folder} cannot be made.");
        }
        $this->path = "{$folder}/{$for}-".bin2hex(random_bytes(6)).'.json';
        $file = fopen($this->path, 'x') ?: throw new \RuntimeException("{$this->path} cannot be written.");
        flock($file, LOCK_EX);
        $this->file = $file;
    }

    /**
     * Takes over what runs that ended too early left behind. It is on this run's own file before theirs goes away.
     *
     * @return array<string, array<string, mixed>> shots by their names
     */
    public function takeOver(): array
    {
        $taken = $left = [];
        foreach (glob("{$this->folder}/{$this->for}-*.json") ?: [] as $path) {
            $file = $path === $this->path ? false : @fopen($path, 'r');
            if ($file !== false && flock($file, LOCK_EX | LOCK_NB)) {
                $lines = array_filter(
                    array_map(fn (string $line): mixed => json_decode($line, true), explode("\n", (string) stream_get_contents($file))),
                    is_array(...),
                );
                $taken += end($lines) ?: [];
                $left[$path] = $file;
            }
        }
        $this->keep($taken);
        foreach ($left as $path => $file) {
            @unlink($path);
            fclose($file);
        }

        return $taken;
    }

    /** @param  array<string, array<string, mixed>>  $shots  by names that no other shot has; all that wait, on disk when this returns */
    public function keep(array $shots): void
    {
        $this->empty = $shots === [];
        fwrite($this->file, json_encode((object) $shots, JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR)."\n");
    }

    /** Where nothing waits any more, nothing is left behind. */
    public function __destruct()
    {
        if ($this->empty) {
            @unlink($this->path);
        }
    }
}
