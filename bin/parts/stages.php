<?php

declare(strict_types=1);

/**
 * Writes the stages of core/Flight/BallFlight.php out: the tableau of Dormand and Prince, and the rate of change at each stage. A loop over
 * arrays would cost a factor of four.
 *
 * Usage:
 *   php bin/parts/stages.php           says whether the file holds what would be written
 *   php bin/parts/stages.php --write   writes it
 */
const STAGES = [ // Dormand & Prince 1980; Hairer, Nørsett & Wanner, "Solving Ordinary Differential Equations I", table II.5.2, from memory
    2 => [1 => '1 / 5'],
    3 => [1 => '3 / 40', 2 => '9 / 40'],
    4 => [1 => '44 / 45', 2 => '-56 / 15', 3 => '32 / 9'],
    5 => [1 => '19372 / 6561', 2 => '-25360 / 2187', 3 => '64448 / 6561', 4 => '-212 / 729'],
    6 => [1 => '9017 / 3168', 2 => '-355 / 33', 3 => '46732 / 5247', 4 => '49 / 176', 5 => '-5103 / 18656'],
    7 => [1 => '35 / 384', 3 => '500 / 1113', 4 => '125 / 192', 5 => '-2187 / 6784', 6 => '11 / 84'],
];

const ERROR = [1 => '71 / 57600', 3 => '-71 / 16695', 4 => '71 / 1920', 5 => '-17253 / 339200', 6 => '22 / 525', 7 => '-1 / 40'];

/** The equations of docs/physics.md at stage #: u through the air, s × u, then lift and drag by `Aerodynamics`, scaled by |u|. */
const RATE = <<<'PHP'
    $ux = $vx# - $windX;
    $uy = $vy# - $windY;
    $u2 = $ux * $ux + $uy * $uy + $vz# * $vz#;
    $u = sqrt($u2);
    $cx = $sy * $vz# - $sz * $uy;
    $cy = $sz * $ux - $sx * $vz#;
    $cz = $sx * $uy - $sy * $ux;
    $spin = $radius * $w# * sqrt($cx * $cx + $cy * $cy + $cz * $cz);
    $square = $spin * $spin;
    $u4 = $u2 * $u2;
    $past = $slowest + $u4 * $perReynolds;
    $lift = $ofSpin * $w# * $u2 / ($spin + $half * $u2);
    $drag = $u * ($still + $square * ($spun * $past + $crisis) / (($square + $knee * $u4) * $past));
    $ax# = $lift * $cx - $drag * $ux;
    $ay# = $lift * $cy - $drag * $uy;
    $az# = $lift * $cz - $drag * $vz# - $g;
    $aw# = -$decay * $w# * $u;
    PHP;

/** @param  array<int, string>  $weights  by stage */
function sum(array $weights, string $of): string
{
    $out = '';
    foreach ($weights as $stage => $w) {
        $sign = str_starts_with($w, '-') ? ' - ' : ' + ';
        $out .= ($out === '' ? '' : $sign).($out === '' ? $w : ltrim($w, '-'))." * \${$of}{$stage}";
    }

    return $out;
}

/** @return array<string, list<string>> lines by the mark that they stand between */
function written(): array
{
    $rate = static fn (int $stage): array => explode("\n", str_replace('#', (string) $stage, RATE));
    $stages = $ends = [];
    foreach (STAGES as $stage => $weights) {
        foreach (['vx' => 'ax', 'vy' => 'ay', 'vz' => 'az', 'w' => 'aw'] as $of => $slope) {
            $stages[] = "\${$of}{$stage} = \${$of}1 + \$h * (".sum($weights, $slope).');';
        }
        array_push($stages, ...$rate($stage));
    }
    foreach (['x', 'y', 'z'] as $axis) {
        $stages[] = "\$n{$axis} = \${$axis} + \$h * (".sum(STAGES[7], "v{$axis}").');';
    }
    foreach (['x' => 'vx', 'y' => 'vy', 'z' => 'vz', 'vx' => 'ax', 'vy' => 'ay', 'vz' => 'az'] as $of => $slope) {
        $ends[] = "\$e{$of} = ".sum(ERROR, $slope).';';
    }

    return ['first stage' => $rate(1), 'stages 2 to 7' => $stages, 'error' => $ends];
}

$file = __DIR__.'/../../core/Flight/BallFlight.php';
$is = (string) file_get_contents($file);
$shall = preg_replace_callback(
    '~^( *)// written by bin/parts/stages.php: ([\w ]+)\n.*?^\1// end of what is written\n~ms',
    static fn (array $found): string => "{$found[1]}// written by bin/parts/stages.php: {$found[2]}\n".implode('', array_map(
        static fn (string $line): string => $found[1].trim($line)."\n", written()[$found[2]],
    ))."{$found[1]}// end of what is written\n",
    $is,
);
if (($argv[1] ?? '') === '--write') {
    file_put_contents($file, $shall);
} elseif ($shall !== $is) {
    fwrite(STDERR, "core/Flight/BallFlight.php holds other stages than bin/parts/stages.php describes: run it with --write.\n");
    exit(1);
}
