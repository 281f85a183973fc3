<?php

declare(strict_types=1);

namespace App\Reports;

use App\Words\Words;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Units\Unit;

/** The report in sentences, in the player's language and units. */
final readonly class ReportText
{
    /** So many wishes are answered in the lead: a page has room for the first ones. */
    private const WISHES = 2;

    /**
     * @param  array<string, mixed>  $report  of `PlayerReport`
     * @param  array<string, string>  $units  of the player
     * @param  array<string, float>  $ratings  mean stars of the chosen setup by kind
     */
    public function __construct(private array $report, private Words $words, private array $units, private array $ratings, private string $reason)
    {
    }

    /** What it comes to, in one or two sentences. */
    public function lead(): string
    {
        $r = $this->report;
        if ($r['isOwn']) {
            return $this->words->say('report.leadOwn').$this->other();
        }
        [$out, $told] = [[], []];
        foreach (array_slice($r['wishes'], 0, self::WISHES) as $wish) {
            $told[] = $wish['figure'];
            $out[] = $this->wish($wish);
        }
        $gain = $this->carryGain();
        if ($gain !== null && ! in_array('carryM', $told, true)) {
            $out[] = abs($gain) >= 0.5
                ? $this->words->say($gain > 0 ? 'report.leadFarther' : 'report.leadShorter', [
                    'by' => $this->distance(abs($gain)), 'head' => $r['now']['head'],
                ])
                : $this->words->say('report.leadAsFar', ['head' => $r['now']['head']]);
        }
        [$was, $is] = [$r['before']['fourteen'], $r['now']['fourteen']];
        if ($was !== null && $is !== null && ! in_array('share', $told, true)) {
            $out[] = $this->words->say($was['fairway'] === $is['fairway'] ? 'report.leadSame' : 'report.leadFairways', [
                'now' => $is['fairway'], 'before' => $was['fairway'],
            ]);
        }

        return $out === [] ? $this->words->say('report.leadNone', ['head' => $r['now']['head']]) : implode(' ', $out);
    }

    /** @param  array{name: string, figure: string, before: float, after: float, standing: string}  $wish */
    private function wish(array $wish): string
    {
        // Of two figures the second has the unit.
        $told = fn (float $v, bool $bare = false): string => match ($wish['figure']) {
            'share' => $bare ? $this->words->number(round(14 * $v)) : $this->words->say('report.fairways', ['n' => (int) round(14 * $v)]),
            'curveM' => $this->words->say($v < 0 ? 'report.toLeft' : 'report.toRight', ['by' => $this->distance(abs($v))]),
            'directionDeg' => $this->words->say($v < 0 ? 'report.toLeft' : 'report.toRight', [
                'by' => $this->words->number(abs($v), 1).'°',
            ]),
            'carryM', 'totalM' => $bare ? $this->words->number(round($v / $this->yard())) : $this->distance($v),
            default => $this->figure($wish['figure'], $v, $bare),
        };

        return $this->words->say('report.wish', [
            'want' => $this->words->say("report.want.{$wish['name']}"), 'standing' => $wish['standing'],
            'before' => $told((float) $wish['before']), 'after' => $told((float) $wish['after'], $wish['standing'] !== 'level'),
        ]);
    }

    /** Launch, spin, apex or descent in the player's units. */
    private function figure(string $figure, float $value, bool $bare = false): string
    {
        return match ($figure) {
            'spinRpm' => $this->words->number(round($value / 10) * 10).($bare ? '' : ' rpm'),
            'apexM' => $this->words->number($value / Unit::from($this->units['height'])->factor()).($bare ? '' : ' '.$this->units['height']),
            default => $this->words->number($value, $figure === 'launchDeg' ? 1 : 0).($bare ? '' : '°'),
        };
    }

    /** @return list<array{name: string, before: string, now: string, wanted: string}> launch, spin, apex, descent, as they are expected */
    public function flight(): array
    {
        return array_values(array_map(fn (array $f): array => [
            'name' => $this->words->say("report.flight.{$f['figure']}"),
            'before' => $f['before'] === null ? '–' : $this->figure($f['figure'], (float) $f['before']),
            'now' => $this->figure($f['figure'], $f['now']),
            'wanted' => $this->words->say('report.wanted', [
                'low' => $this->figure($f['figure'], $f['low'], bare: true), 'high' => $this->figure($f['figure'], $f['high'], bare: true),
                'standing' => $f['standing'],
            ]),
        ], $this->report['flight']));
    }

    /** @param  list<array{what: string, value: float}>  $costs  or gains */
    private function costs(array $costs, bool $areGains = false): string
    {
        $told = array_map(fn (array $c): string => match ($c['what']) {
            'carry' => $this->words->say('report.ofCarry', ['by' => $this->distance($c['value'])]),
            'strokes' => $this->words->say('report.strokes', ['by' => $this->words->number($c['value'], 2), 'saved' => $areGains ? 'yes' : 'no']),
            default => $this->words->say("report.{$c['what']}Of14", ['n' => (int) $c['value'], 'fewer' => $areGains ? 'yes' : 'no']),
        }, $costs);

        return implode(', ', $told);
    }

    /** What the best of the others would do, where the own club stays. */
    private function other(): string
    {
        $other = $this->report['other'];

        return $other === null ? '' : ' '.$this->words->say('report.other', [
            'head' => $other['head'], 'brings' => $other['brings'] === [] ? 'none' : $this->costs($other['brings'], areGains: true),
            'givesUp' => $other['givesUp'] === [] ? 'none' : $this->costs($other['givesUp']),
        ]);
    }

    /** @return list<array{big: string, small: string, text: string}> */
    public function three(): array
    {
        $r = $this->report;
        $out = [];
        $gain = $this->carryGain();
        if (! $r['isOwn'] && $gain !== null) {
            $interval = $r['now']['carryGainInterval'];
            $out[] = [
                'big' => $this->words->signed($gain / $this->yard()).' '.$this->units['distance'],
                'small' => $this->words->say('report.carry'),
                'text' => trim(($interval === null ? '' : $this->words->say('report.likely', [
                    'low' => $this->words->signed((float) $interval['low'] / $this->yard()),
                    'high' => $this->words->signed((float) $interval['high'] / $this->yard()),
                ]).' ').$this->stays($gain).implode(' ', $this->changes())),
            ];
        }
        $chance = $r['now']['chanceBetter'];
        if (! $r['isOwn'] && $chance !== null) {
            $out[] = [
                'big' => $this->words->say('report.inHundred', ['n' => (int) round(100 * (float) $chance)]), 'small' => $this->words->say('report.better'),
                'text' => $this->sure(),
            ];
        }
        $out[] = [
            'big' => $this->words->say('report.practise'), 'small' => $this->words->say('report.withCoach'),
            'text' => $this->practise(),
        ];

        return $out;
    }

    /** @return list<string> what changed, a short sentence each */
    public function changes(): array
    {
        $out = [];
        foreach ($this->report['changes'] as $change) {
            $out[] = match ($change['what']) {
                'loft' => $this->words->say($change['to'] > $change['from'] ? 'report.moreLoft' : 'report.lessLoft', ['by' => $this->words->number(abs($change['to'] - $change['from']), 1)]),
                'face' => $this->words->say($change['to'] > $change['from'] ? 'report.faceOpen' : 'report.faceClosed', ['by' => $this->words->number(abs($change['to'] - $change['from']), 1)]),
                'length' => $this->words->say($change['to'] > $change['from'] ? 'report.longer' : 'report.shorter', ['by' => $this->length(abs($change['to'] - $change['from']))]),
                'head' => '',
                default => $this->words->say("report.new.{$change['what']}", ['to' => (string) $change['to']]),
            };
        }

        return array_values(array_filter($out));
    }

    public function gaveUp(): string
    {
        $r = $this->report;

        return match (true) {
            $r['isOwn'] => '',
            $r['gaveUp'] !== [] => $this->words->say('report.gaveUp', ['what' => $this->costs($r['gaveUp'])]),
            $r['isAdvised'] => $this->words->say('report.gaveNothing'),
            default => '',
        };
    }

    public function sure(): string
    {
        $r = $this->report;
        $out = [$this->words->say('report.shots', ['now' => $r['now']['n'], 'before' => $r['before']['n']])];
        [$now, $before] = [$r['now']['fairways'], $r['before']['fairways']];
        if (($now['of'] ?? 0) > 0 && ($before['of'] ?? 0) > 0) {
            $out[] = $this->words->say('report.seen', [
                'in' => $now['in'], 'of' => $now['of'], 'beforeIn' => $before['in'], 'beforeOf' => $before['of'],
            ]);
        }
        if ($r['ties'] > 0) {
            $out[] = $this->words->say('report.ties', ['n' => $r['ties']]);
        }
        if (! $r['isAdvised']) {
            $out[] = $this->words->say('report.overruled');
        }

        return implode(' ', $out);
    }

    public function practise(): string
    {
        $p = $this->report['practise'];

        return $p === null ? $this->words->say('report.practiseNothing')
            : $this->words->say("report.practise_{$p['kind']}", ['by' => $this->words->number($p['value'])]);
    }

    public function ratings(): string
    {
        $out = [];
        foreach (['looks', 'feel', 'sound', 'confidence'] as $kind) {
            if (isset($this->ratings[$kind])) {
                $out[] = $this->words->say("report.rated.{$kind}", ['stars' => $this->words->number($this->ratings[$kind], fmod($this->ratings[$kind], 1.0) === 0.0 ? 0 : 1)]);
            }
        }

        return $out === [] ? '' : $this->words->say('report.ratings', ['list' => implode(', ', $out)]);
    }

    public function reason(): string
    {
        return $this->reason === '' ? '' : $this->words->say('report.reason', ['words' => $this->reason]);
    }

    /** @return list<array{string, string}> the club, a line each */
    public function club(): array
    {
        $c = $this->report['club'];
        $deg = fn (float $v): string => $this->words->number($v, 1).'°';
        $loft = $this->words->say('report.loftLine', ['has' => $c['statedLoftDeg'] === null ? 'no' : 'yes', 'stated' => $deg((float) $c['statedLoftDeg']),
            'isRead' => $c['readLoftDeg'] === null ? 'no' : 'yes', 'read' => $deg((float) $c['readLoftDeg']), 'plays' => $deg($c['playsLoftDeg'])]);
        $lines = [
            [$this->words->say('report.line.loft'), $loft], [$this->words->say('report.line.sleeve'), (string) $c['sleeve']],
            [$this->words->say('report.line.weights'), $this->slots()],
            [$this->words->say('report.line.shaft'), trim($c['shaft'].($c['lengthMm'] === null ? '' : ', '.$this->length((float) $c['lengthMm'])), ', ')],
            [$this->words->say('report.line.grip'), (string) $c['grip']],
            [$this->words->say('report.line.balance'), $c['swingWeightPoints'] === null ? '' : SwingWeight::labelOf((float) $c['swingWeightPoints'])],
            [$this->words->say('report.line.ball'), (string) $c['ball']],
            [$this->words->say('report.line.tee'), $c['teeMm'] === null ? '' : $this->words->number((float) $c['teeMm']).' mm'],
            [$this->words->say('report.line.cue'), (string) $c['cue']],
        ];

        return array_values(array_filter($lines, static fn (array $l): bool => $l[1] !== ''));
    }

    public function air(): string
    {
        return $this->words->say('report.air', [
            'degrees' => $this->words->number((float) $this->report['air']['temperatureC']),
            'turf' => $this->words->say("turf.{$this->report['air']['turf']}"),
        ]);
    }

    private function slots(): string
    {
        $out = [];
        foreach ($this->report['club']['slots'] as $slot) {
            if (($slot['massG'] ?? 0) > 0) {
                $name = $this->words->has("slot.{$slot['name']}") ? $this->words->say("slot.{$slot['name']}") : $slot['name'];
                $out[] = $this->words->number((float) $slot['massG']).' g '.$name;
            }
        }

        return $out === [] ? (string) $this->report['club']['weights'] : implode(', ', $out);
    }

    /** m; against the own club. */
    private function carryGain(): ?float
    {
        [$now, $before] = [$this->report['now']['carryGainM'], $this->report['before']['carryGainM']];

        return $now === null ? null : (float) $now - (float) ($before ?? 0.0);
    }

    /** Where the shots that are drawn differ by another length than the judge tells, both are said: some of it was luck. */
    private function stays(float $gain): string
    {
        [$now, $before] = [$this->report['now']['carryM'], $this->report['before']['carryM']];
        $raw = $now === null || $before === null ? $gain : $now - $before;

        return abs($raw - $gain) < 2.0 * $this->yard() ? '' : $this->words->say('report.stays', [
            'raw' => $this->distance(abs($raw)), 'by' => $this->words->signed($gain / $this->yard()).' '.$this->units['distance'],
        ]).' ';
    }

    private function yard(): float
    {
        return $this->units['distance'] === 'yd' ? Unit::Yards->factor() : 1.0;
    }

    private function distance(float $m): string
    {
        return $this->words->say($this->units['distance'] === 'yd' ? 'report.yards' : 'report.metres', ['n' => (int) round($m / $this->yard())]);
    }

    private function length(float $mm): string
    {
        return $this->units['length'] === 'in' ? $this->words->number($mm / 25.4, 2).' in' : $this->words->number($mm).' mm';
    }
}
