<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Database\Seeders\DemoShots;
use Illuminate\Console\Command;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Launch\LaunchShot;

/** Writes the example launch files of examples/: four ways in which monitors and spreadsheets write the same kind of thing. */
final class MakeExamples extends Command
{
    protected $signature = 'mint:examples';

    protected $description = 'Writes examples/*.csv from a seeded source';

    public function handle(): int
    {
        $make = new DemoShots(4711);
        $own = $make->hit(new PlayerModel(44.5, 0.5, 0.5, 2.2, 12.2, -4, 0, 0.9, 0.1), Head::preset('middle'), Hand::Right, 9, true);
        $new = $make->hit(new PlayerModel(44.5, 0.5, 0.5, 0.4, 13.4, -1, 1, 0.9, 0.05), Head::preset('forgiving'), Hand::Right, 8, true);
        $lefty = new DemoShots(911);
        $a = $lefty->hit(new PlayerModel(41.5, -1, -1, -3.2, 12.6, 0, 0, 0.9, 0.1), Head::preset('middle'), Hand::Left, 7, false);
        $b = $lefty->hit(new PlayerModel(41.5, -1, -1, -1.2, 13.6, 0, 0, 0.9, 0.0), Head::preset('forgiving'), Hand::Left, 7, false);

        $this->write('yards-own-club.csv', $this->yards($own));
        $this->write('yards-new-head.csv', $this->yards($new));
        $this->write('metric-semicolon-setup-column.csv', mb_convert_encoding($this->metric($a, $b), 'Windows-1252', 'UTF-8'));
        $this->write('units-row-utf16.csv', "\xFF\xFE".mb_convert_encoding($this->unitsRow($new), 'UTF-16LE', 'UTF-8'));

        return self::SUCCESS;
    }

    /**
     * Comma, mph and yards in the header, side with letters, smash × 100, an average and a deviation row.
     *
     * @param  list<array<string, float>>  $shots
     */
    private function yards(array $shots): string
    {
        $rows = [
            'Shot,Club Speed (mph),Ball Speed (mph),Smash,Launch Angle (deg),Launch Direction (deg),Spin Rate (rpm),Spin '
                .'Axis (deg),Carry (yds),Offline (yds),Apex (ft)',
        ];
        $sums = array_fill(0, 2, 0.0);
        foreach ($shots as $i => $shot) {
            $all = $this->flown($shot);
            $side = $all['sideM'] / 0.9144;
            $rows[] = implode(',', [
                $i + 1, $this->n($shot['clubSpeedMps'] / 0.44704), $this->n($shot['ballSpeedMps'] / 0.44704),
                round((100 * $shot['ballSpeedMps']) / $shot['clubSpeedMps']), $this->n($shot['launchDeg']),
                $this->letter($shot['directionDeg']), '"'.number_format($shot['spinRpm']).'"', $this->letter($shot['spinAxisDeg']),
                $this->n($all['carryM'] / 0.9144), $this->letter($side), round($all['apexM'] / 0.3048),
            ]);
            $sums[0] += $shot['clubSpeedMps'] / 0.44704;
            $sums[1] += $shot['ballSpeedMps'] / 0.44704;
        }
        $rows[] = 'Average,'.$this->n($sums[0] / count($shots)).','.$this->n($sums[1] / count($shots)).',,,,,,,,';
        $rows[] = 'Std. Dev.,0.9,1.6,,,,,,,,';

        return implode("\r\n", $rows)."\r\n";
    }

    /**
     * Semicolons, decimal commas, lines before the header, a setup column, one cell that is not a number.
     *
     * @param  list<array<string, float>>  $a
     * @param  list<array<string, float>>  $b
     */
    private function metric(array $a, array $b): string
    {
        $rows = [
            'Studio export;;;;;;', 'Temperature 14 °C;;;;;;',
            'Setup;Club speed [km/h];Ball speed [km/h];Launch angle [°];Direction [°];Spin [rpm];Spin axis [°]',
        ];
        foreach (['A' => $a, 'B' => $b] as $tag => $shots) {
            foreach ($shots as $i => $shot) {
                $spin = $tag === 'B' && $i === 3 ? '2.4OO' : number_format($shot['spinRpm'], 0, ',', '.');
                $club = $tag === 'A' && $i === 2 ? '--' : $this->comma($shot['clubSpeedMps'] * 3.6);
                $rows[] = implode(';', [
                    $tag, $club, $this->comma($shot['ballSpeedMps'] * 3.6), $this->comma($shot['launchDeg']),
                    $this->comma($shot['directionDeg']), $spin, $this->comma($shot['spinAxisDeg']),
                ]);
            }
        }

        return implode("\n", $rows)."\n";
    }

    /**
     * Tabs, UTF-16, a units row under the header, the header repeated half way, back and side spin, strike with letters, zeros
     * for no club reading.
     *
     * @param  list<array<string, float>>  $shots
     */
    private function unitsRow(array $shots): string
    {
        $header = "Ball Speed\tClub Speed\tVLA\tHLA\tBack Spin\tSide Spin\tAoA\tPath\tStrike Toe/Heel";
        $rows = [$header, "mph\tmph\tdeg\tdeg\trpm\trpm\tdeg\tdeg\tmm"];
        foreach ($shots as $i => $shot) {
            if ($i === 4) {
                $rows[] = $header;
            }
            $axis = deg2rad($shot['spinAxisDeg']);
            $read = $i !== 5;
            $rows[] = implode("\t", [
                $this->n($shot['ballSpeedMps'] / 0.44704), $read ? $this->n($shot['clubSpeedMps'] / 0.44704) : '0',
                $this->n($shot['launchDeg']), $this->n($shot['directionDeg']), round($shot['spinRpm'] * cos($axis)),
                round($shot['spinRpm'] * sin($axis)), $read ? $this->n($shot['attackDeg']) : '0',
                $read ? $this->n($shot['pathDeg']) : '0',
                $read ? abs($shot['strikeToeMm']).($shot['strikeToeMm'] < 0 ? ' heel' : ' toe') : '-',
            ]);
        }

        return implode("\n", $rows)."\n";
    }

    /**
     * @param  array<string, float>  $shot
     * @return array<string, float>
     */
    private function flown(array $shot): array
    {
        return LaunchShot::of($shot, new BallFlight)->computed;
    }

    private function n(float $value): string
    {
        return number_format($value, 1, '.', '');
    }

    private function comma(float $value): string
    {
        return number_format($value, 1, ',', '');
    }

    private function letter(float $value): string
    {
        return abs($value) < 0.05 ? '0.0' : $this->n(abs($value)).($value > 0 ? ' R' : ' L');
    }

    private function write(string $name, string $content): void
    {
        file_put_contents(base_path("examples/{$name}"), $content);
        $this->line("examples/{$name}");
    }
}
