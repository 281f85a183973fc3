<?php

declare(strict_types=1);

namespace App\Reports;

use App\Words\Words;
use MintCarry\Core\Units\Unit;

/** The report's pictures: flights from the side, where they land, the club from above, and fourteen drives. Before is dashed and round, now is full and pointed. */
final readonly class ReportPictures
{
    /** Width of a bold letter of 9 points, at most. */
    private const LETTER = 5.4;

    /**
     * @param  array<string, mixed>  $report  of `PlayerReport`
     * @param  array<string, string>  $units  of the player
     */
    public function __construct(private array $report, private Words $words, private array $units, private string $hand)
    {
    }

    public function flights(float $width = 515, float $height = 138): Drawing
    {
        $drawing = new Drawing($width, $height, $this->words->say('report.flights'));
        [$before, $now] = [$this->report['before'], $this->report['now']];
        $both = $this->report['isOwn'] ? ['now' => $now] : ['before' => $before, 'now' => $now];
        $reach = max(60.0, ...array_map(static fn (array $s): float => max((float) $s['carryM'], (float) $s['totalM'], 0.0), array_values($both)));
        $top = max(12.0, ...array_map(static fn (array $s): float => max(0.0, ...array_column($s['flight'], 1) ?: [0.0]), array_values($both)));
        $foot = $height - 18;
        $x = static fn (float $m): float => 6 + ($width - 12) * $m / ($reach * 1.04);
        // The same scale up and along would be flat on paper: heights are drawn larger, and the picture says so by its own figures.
        $y = static fn (float $m): float => $foot - ($foot - 22) * $m / $top;
        $drawing->path([[4, $foot], [$width - 2, $foot]], Drawing::INK, 0.9);
        $paths = [];
        foreach ($both as $name => $side) {
            $isNow = $name === 'now';
            $color = $isNow ? Drawing::MINT : Drawing::BEFORE;
            $path = array_values(array_map(static fn (array $p): array => [$x($p[0]), $y(max(0.0, $p[1]))], $side['flight']));
            $drawing->path($path, $color, $isNow ? 2.4 : 1.8, $isNow ? '' : '4 3');
            if ($side['flight'] === []) {
                continue;
            }
            $land = end($side['flight'])[0];
            if ($side['totalM'] !== null && $side['totalM'] > $land) {
                $drawing->path([[$x($land), $foot + ($isNow ? 0 : 2)], [$x((float) $side['totalM']), $foot + ($isNow ? 0 : 2)]], $color, $isNow ? 2.4 : 1.8, $isNow ? '' : '4 3');
            }
            $paths[$name] = $path;
        }
        $this->labelHeights($drawing, $paths, $both, $foot);
        // Where they land, side by side where they would lie on each other.
        $ends = array_map(static fn (array $s): ?float => $s['carryM'], $both);
        $near = isset($ends['before'], $ends['now']) && abs($x($ends['before']) - $x($ends['now'])) < 46;
        foreach ($ends as $name => $carry) {
            if ($carry !== null) {
                $isFirst = $near && $carry === min($ends);
                $drawing->label($x($carry) + ($near ? ($isFirst ? -3 : 3) : 0), $height - 4, $this->distance($carry), $near ? ($isFirst ? 'end' : 'start') : 'middle', 9, true, $name === 'now' ? Drawing::MINT : Drawing::BEFORE);
            }
        }

        return $drawing;
    }

    /**
     * How high each flies: over the top of the higher one; of the lower one where there is room under both, else in the corner over the
     * first metres. So no label lies on a curve or on the other.
     *
     * @param  array<string, list<array{float, float}>>  $paths  points of the drawing, by side
     * @param  array<string, array<string, mixed>>  $sides
     */
    private function labelHeights(Drawing $drawing, array $paths, array $sides, float $foot): void
    {
        $tops = array_map(static fn (array $path): float => min([$foot, ...array_column($path, 1)]), $paths);
        asort($tops);
        foreach (array_keys($tops) as $i => $name) {
            $text = $this->words->say('report.high', [
                'height' => $this->height((float) $sides[$name]['apexM']), 'degrees' => $this->words->number((float) $sides[$name]['descentDeg']),
            ]);
            $top = $tops[$name];
            $room = $i === 0
                ? [$paths[$name][(int) array_search($top, array_column($paths[$name], 1), true)][0], $top - 6]
                : $this->roomUnder($paths, mb_strlen($text) * self::LETTER + 12, $top, $foot);
            [$at, $y] = $room ?? [6.0, 12.0];
            $drawing->label($at, $y, $text, $room === null ? 'start' : 'middle', 9, true, $name === 'now' ? Drawing::MINT : Drawing::BEFORE);
        }
    }

    /**
     * @param  array<string, list<array{float, float}>>  $paths
     * @return array{float, float}|null the middle and the baseline of a line of this width under all of them
     */
    private function roomUnder(array $paths, float $width, float $top, float $foot): ?array
    {
        for ($y = $top + 14; $y < $foot - 3; $y += 2) {
            [$from, $to] = [-INF, INF];
            foreach ($paths as $path) {
                $over = array_column(array_filter($path, static fn (array $p): bool => $p[1] < $y - 11), 0);
                [$from, $to] = $over === [] ? [INF, -INF] : [max($from, min($over)), min($to, max($over))];
            }
            if ($to - $from >= $width) {
                return [($from + $to) / 2, $y];
            }
        }

        return null;
    }

    public function landing(float $width = 300, float $height = 232): Drawing
    {
        $drawing = new Drawing($width, $height, $this->words->say('report.where'));
        $sides = $this->report['isOwn'] ? ['now' => $this->report['now']] : ['before' => $this->report['before'], 'now' => $this->report['now']];
        $points = array_merge(...array_values(array_map(static fn (array $s): array => $s['shots'], $sides)));
        if ($points === []) {
            $drawing->label($width / 2, $height / 2, $this->words->say('report.noSide'), 'middle');

            return $drawing;
        }
        $corridor = $this->report['corridor'];
        $plotFoot = $height - 20;
        $along = array_column($points, 1);
        [$low, $high] = [min([INF, ...$along]), max([-INF, ...$along])];
        $half = max(1.15 * $corridor['widthM'] / 2 + 6, ...array_map(static fn (array $p): float => abs($p[0]) + 4, $points));
        // One scale across and along: what looks round is round.
        $scale = min(($width - 4) / (2 * $half), ($plotFoot - 4) / max(30.0, $high - $low + 12));
        $middle = ($low + $high) / 2;
        $x = static fn (float $m): float => $width / 2 + $scale * $m;
        $y = static fn (float $m): float => ($plotFoot + 2) / 2 - $scale * ($m - $middle);
        $drawing->rect(0, 0, $width, $plotFoot, '#fffdf7');
        $edge = $corridor['widthM'] / 2;
        foreach (['left' => -1, 'right' => 1] as $side => $sign) {
            if ($corridor[$side]['kind'] !== 'rough') {
                $from = $x($sign * $corridor[$side]['atM']);
                $isWater = $corridor[$side]['kind'] === 'water';
                $drawing->rect($sign < 0 ? 0 : $from, 0, $sign < 0 ? $from : $width - $from, $plotFoot, $isWater ? Drawing::WATER : Drawing::HARM);
                $drawing->label($sign < 0 ? 4 : $width - 4, 11, $this->words->say("trouble.{$corridor[$side]['kind']}"), $sign < 0 ? 'start' : 'end', 8.5, false, Drawing::SOFT);
            }
        }
        $drawing->rect($x(-$edge), 0, $x($edge) - $x(-$edge), $plotFoot, Drawing::WASH);
        $drawing->path([[$x(0), 0], [$x(0), $plotFoot]], Drawing::SOFT, 0.7, '2 2');
        $unit = $this->units['distance'] === 'yd' ? Unit::Yards->factor() : 1.0;
        for ($mark = (int) (ceil($low / $unit / 10) * 10); $mark <= $high / $unit; $mark += 10) {
            $drawing->path([[0, $y($mark * $unit)], [$width, $y($mark * $unit)]], Drawing::HAIR, 0.5);
            $drawing->label($width - 3, $y($mark * $unit) - 2, (string) $mark, 'end', 8, false, Drawing::SOFT);
        }
        foreach ($sides as $name => $side) {
            $isNow = $name === 'now';
            $color = $isNow ? Drawing::MINT : Drawing::BEFORE;
            $e = $side['ellipse'];
            if ($e !== null) {
                $drawing->ellipse($x($e->acrossM), $y($e->alongM), $scale * $e->halfLongM, $scale * $e->halfShortM, $e->turnDeg, $color, $isNow ? '' : '4 3');
            }
            foreach ($side['shots'] as [$across, $along]) {
                $isNow ? $drawing->triangle($x($across), $y($along), 4.2, $color) : $drawing->circle($x($across), $y($along), 3.2, '#fffdf7', $color, 1.4);
            }
        }
        foreach ([-20, 0, 20] as $mark) {
            if (abs($mark * $unit) < $half * 0.9) {
                $drawing->label($x($mark * $unit), $height - 7, $mark === 0 ? $this->words->say('report.target') : abs($mark).' '.$this->words->say($mark < 0 ? 'side.left' : 'side.right'), 'middle', 8.5, $mark === 0, Drawing::SOFT);
            }
        }

        return $drawing;
    }

    /** From above, the target up: heel on the player's side. */
    public function club(float $width = 190, float $height = 150): Drawing
    {
        $drawing = new Drawing($width, $height, $this->words->say('report.club'));
        $club = $this->report['club'];
        $way = $this->hand === 'left' ? -1 : 1;
        $x = static fn (float $toe): float => $width / 2 + $way * $toe * ($width - 40) / 144;
        $y = static fn (float $back): float => 12 + ($back + 6) * ($height - 26) / 128;
        $p = static fn (float $toe, float $back): string => sprintf('%.1F %.1F', $x($toe), $y($back));
        $drawing->raw(
            'M'.$p(-54, 6).'C'.$p(-30, -3).' '.$p(30, -4).' '.$p(58, 5).'C'.$p(74, 34).' '.$p(66, 84).' '.$p(28, 110).'C'.$p(10, 118).' '.$p(-16, 117).' '.$p(-32, 104)
                .'C'.$p(-62, 78).' '.$p(-70, 38).' '.$p(-54, 6).'Z', Drawing::INK, 0.8, '', '#efece1',
        );
        $drawing->raw('M'.$p(-50, 3).'C'.$p(-25, -4).' '.$p(25, -5).' '.$p(54, 3), Drawing::INK, 2.6);
        foreach ($club['slots'] as $slot) {
            [$cx, $cy] = [$x($slot['toeMm']), $y($slot['backMm'])];
            $isIn = ($slot['massG'] ?? 0) > 0;
            $drawing->circle($cx, $cy, 8, $isIn ? Drawing::INK : 'none', Drawing::SOFT, 0.8, $isIn ? '' : '2 2');
            if ($isIn) {
                $drawing->label($cx, $cy + 3, $this->words->number((float) $slot['massG']), 'middle', 8.5, true, '#ffffff');
            }
        }
        if ($club['cg'] !== null) {
            [$cx, $cy] = [$x($club['cg']['toeMm']), $y($club['cg']['backMm'])];
            $drawing->path([[$cx - 6, $cy], [$cx + 6, $cy]], Drawing::MINT, 1.6);
            $drawing->path([[$cx, $cy - 6], [$cx, $cy + 6]], Drawing::MINT, 1.6);
            $drawing->label($cx + 8, $cy - 3, 'CG', 'start', 8.5, true, Drawing::MINT);
        }
        $drawing->label($x(-62), 10, $this->words->say('report.heel'), 'middle', 8, false, Drawing::SOFT);
        $drawing->label($x(64), 10, $this->words->say('report.toe'), 'middle', 8, false, Drawing::SOFT);

        return $drawing;
    }

    /** A dot a drive: fairway full, rough open, the trouble filled with its colour and crossed. */
    public function fourteen(float $width = 515): Drawing
    {
        $rows = array_filter(
            $this->report['isOwn'] ? ['now' => $this->report['now']['fourteen']] : ['before' => $this->report['before']['fourteen'], 'now' => $this->report['now']['fourteen']],
        );
        $drawing = new Drawing($width, 26.0 * max(1, count($rows)), $this->words->say('report.fourteen'));
        $at = 0;
        foreach ($rows as $name => $drives) {
            $y = 13.0 + 26.0 * $at++;
            $drawing->label(0, $y + 3.5, $this->words->say("report.{$name}"), 'start', 10, true);
            for ($i = 0; $i < 14; $i++) {
                $x = 92.0 + $i * ($width - 110) / 13.4;
                if ($i < $drives['fairway']) {
                    $drawing->circle($x, $y, 9, Drawing::MINT);
                } elseif ($i < $drives['fairway'] + $drives['rough']) {
                    $drawing->circle($x, $y, 9, '#efece1', '#b9b79f', 1.0);
                } else {
                    $drawing->circle($x, $y, 9, Drawing::WATER, '#9c3525', 1.4);
                    $drawing->path([[$x - 4, $y - 4], [$x + 4, $y + 4]], '#9c3525', 1.4);
                    $drawing->path([[$x - 4, $y + 4], [$x + 4, $y - 4]], '#9c3525', 1.4);
                }
            }
        }

        return $drawing;
    }

    private function distance(float $m): string
    {
        return $this->words->number($m / ($this->units['distance'] === 'yd' ? Unit::Yards->factor() : 1.0)).' '.$this->units['distance'];
    }

    private function height(float $m): string
    {
        return $this->words->number($m / ($this->units['height'] === 'ft' ? Unit::Feet->factor() : 1.0)).' '.$this->units['height'];
    }
}
