<?php

declare(strict_types=1);

namespace MintCarry\Core\Gaps;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\ColumnGuess;
use MintCarry\Core\Launch\ColumnMap;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Launch\ShotFile;
use MintCarry\Core\Launch\TextFile;

use function array_map;
use function array_slice;
use function implode;
use function mb_strimwidth;
use function trim;

/**
 * Shots of long clubs as a table: a line a shot, with a column that names the club and one of carry, or ball speed, launch and spin. Its
 * columns, units and words are read as those of any launch file (`ColumnGuess`, `ShotFile`). A line that cannot be read is told, never
 * dropped.
 */
final readonly class GapTable
{
    /**
     * @param  array<string, list<array{values: array<string, float>, typed: array<string, string>, line: int}>>  $clubs  shots by the club's name,
     *   in the
     *   order of the file
     * @param  list<string>  $problems  a sentence for each line that could not be read
     */
    private function __construct(public array $clubs, public array $problems)
    {
    }

    /** @throws UnreadableFile where it is no such table */
    public static function read(string $bytes, Hand $hand, BallFlight $flight): self
    {
        $text = TextFile::read($bytes);
        $guess = ColumnGuess::of($text);
        // Two shots of one club that carried alike are two shots.
        $map = new ColumnMap($guess->headerRow, $guess->unitsRow, $guess->columns, $guess->keepSummaryRows, keepRepeats: true);
        if (! $map->has(Measure::SetupTag)) {
            throw UnreadableFile::because('No column names the club: head one “club”. Nothing was stored.');
        }
        if (! $map->has(Measure::Carry) && $map->missing() !== []) {
            throw UnreadableFile::because('No column holds carry, nor ball speed, launch and spin together. Nothing was stored.');
        }
        $clubs = $problems = [];
        foreach ((new ShotFile($text, $map, $hand, $flight, carryAlone: true))->rows() as $row) {
            if ($row->kind === 'bad') {
                $why = implode('; ', array_map(static fn ($i): string => $i->message, $row->issues));
                $problems[] = "Line {$row->line}: {$why}.";

                continue;
            }
            if ($row->kind !== 'shot') {
                continue;
            }
            $name = trim((string) $row->setupTag);
            if ($name === '') {
                $problems[] = "Line {$row->line}: no club is named.";

                continue;
            }
            $clubs[mb_strimwidth($name, 0, LongClub::LONGEST_NAME)][] = ['values' => $row->values, 'typed' => $row->typed, 'line' => $row->line];
        }
        if ($clubs === []) {
            throw UnreadableFile::because('No line could be read as a shot of a club. Nothing was stored. '.implode(' ',
                array_slice($problems, 0, 3)));
        }

        return new self($clubs, $problems);
    }
}
