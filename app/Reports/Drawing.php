<?php

declare(strict_types=1);

namespace App\Reports;

/**
 * A picture in vectors, once for a screen and once for paper. For a screen its labels are text in the SVG; for paper they are laid over it as
 * text of the page, in the page's own face, so that they can be selected and searched.
 */
final class Drawing
{
    public const INK = '#14302a';

    public const SOFT = '#4a5f58';

    public const HAIR = '#d6d8cb';

    public const MINT = '#14765a';

    public const BEFORE = '#8f5200';

    public const WATER = '#d8e5f1';

    public const WASH = '#dcf0e6';

    public const HARM = '#f2e3dc';

    /** @var list<string> */
    private array $shapes = [];

    /** @var list<array{x: float, y: float, text: string, anchor: string, size: float, bold: bool, color: string}> */
    private array $labels = [];

    public function __construct(public readonly float $width, public readonly float $height, private readonly string $title)
    {
    }

    /** @param  list<array{float, float}>  $points */
    public function path(array $points, string $stroke, float $width, string $dash = '', string $fill = 'none', bool $isClosed = false): void
    {
        if (count($points) < 2) {
            return;
        }
        $d = '';
        foreach ($points as $i => [$x, $y]) {
            $d .= ($i === 0 ? 'M' : 'L').self::n($x).' '.self::n($y);
        }
        $this->raw($d.($isClosed ? 'Z' : ''), $stroke, $width, $dash, $fill);
    }

    public function raw(string $d, string $stroke, float $width, string $dash = '', string $fill = 'none'): void
    {
        $this->shapes[] = sprintf(
            '<path d="%s" fill="%s" stroke="%s" stroke-width="%s"%s/>', $d, $fill, $stroke, self::n($width),
            $dash === '' ? '' : " stroke-dasharray=\"{$dash}\"",
        );
    }

    public function rect(float $x, float $y, float $w, float $h, string $fill): void
    {
        $this->shapes[] = sprintf('<rect x="%s" y="%s" width="%s" height="%s" fill="%s"/>', self::n($x), self::n($y), self::n(max(0, $w)), self::n(max(0, $h)), $fill);
    }

    public function circle(float $x, float $y, float $r, string $fill, string $stroke = 'none', float $width = 1.0, string $dash = ''): void
    {
        $this->shapes[] = sprintf(
            '<circle cx="%s" cy="%s" r="%s" fill="%s" stroke="%s" stroke-width="%s"%s/>', self::n($x), self::n($y), self::n($r), $fill,
            $stroke, self::n($width),
            $dash === '' ? '' : " stroke-dasharray=\"{$dash}\"",
        );
    }

    public function triangle(float $x, float $y, float $r, string $fill): void
    {
        $this->path([[$x, $y - $r], [$x + 0.9 * $r, $y + 0.65 * $r], [$x - 0.9 * $r, $y + 0.65 * $r]], 'none', 0, '', $fill, true);
    }

    /** An ellipse about a point, turned. */
    public function ellipse(float $x, float $y, float $long, float $short, float $turnDeg, string $stroke, string $dash = '', string $fill = 'none'): void
    {
        [$c, $s] = [cos(deg2rad($turnDeg)), sin(deg2rad($turnDeg))];
        $points = [];
        for ($i = 0; $i < 60; $i++) {
            $a = 2 * M_PI * $i / 60;
            [$u, $v] = [$long * cos($a), $short * sin($a)];
            $points[] = [$x + $u * $c - $v * $s, $y - ($u * $s + $v * $c)];
        }
        $this->path($points, $stroke, 1.4, $dash, $fill, true);
    }

    /** @param  'start'|'middle'|'end'  $anchor */
    public function label(float $x, float $y, string $text, string $anchor = 'start', float $size = 9.0, bool $bold = false, string $color = self::INK): void
    {
        $this->labels[] = ['x' => $x, 'y' => $y, 'text' => $text, 'anchor' => $anchor, 'size' => $size, 'bold' => $bold, 'color' => $color];
    }

    /** Shapes and labels in one: for a screen. */
    public function svg(): string
    {
        $labels = '';
        foreach ($this->labels as $l) {
            $labels .= sprintf(
                '<text x="%s" y="%s" text-anchor="%s" font-size="%s" font-weight="%d" fill="%s" font-family="sans-serif">%s</text>',
                self::n($l['x']),
                self::n($l['y']), $l['anchor'], self::n($l['size']), $l['bold'] ? 650 : 400, $l['color'], e($l['text']),
            );
        }

        return $this->open().implode('', $this->shapes).$labels.'</svg>';
    }

    /** For paper: the shapes as an image of vectors, the labels as text of the page. */
    public function html(): string
    {
        $out = sprintf(
            '<div class="drawing" style="width:%spt;height:%spt"><img src="data:image/svg+xml;base64,%s" style="width:%spt;height:%spt" alt="%s">',
            self::n($this->width), self::n($this->height), base64_encode($this->open().implode('', $this->shapes).'</svg>'),
            self::n($this->width),
            self::n($this->height), e($this->title),
        );
        foreach ($this->labels as $l) {
            // A box wide enough on the side where the text goes; its foot is the line that it stands on.
            $box = 240.0;
            [$left, $align] = match ($l['anchor']) {
                'middle' => [$l['x'] - $box / 2, 'center'], 'end' => [$l['x'] - $box, 'right'], default => [$l['x'], 'left'],
            };
            $out .= sprintf(
                '<div class="label" style="left:%spt;top:%spt;width:%spt;text-align:%s;font-size:%spt;font-weight:%s;color:%s">%s</div>',
                self::n($left),
                self::n($l['y'] - 1.02 * $l['size']), self::n($box), $align, self::n($l['size']), $l['bold'] ? 'bold' : 'normal',
                $l['color'], e($l['text']),
            );
        }

        return $out.'</div>';
    }

    private function open(): string
    {
        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %s %s" width="%s" height="%s" role="img"><title>%s</title>',
            self::n($this->width),
            self::n($this->height), self::n($this->width), self::n($this->height), e($this->title),
        );
    }

    private static function n(float $value): string
    {
        return rtrim(rtrim(sprintf('%.2F', $value), '0'), '.') ?: '0';
    }
}
