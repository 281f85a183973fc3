<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Units\Unit;

/** One cell of a launch file taken apart: digits as typed, a unit if it carries one, and the side or direction it names. */
final readonly class Cell
{
    private const LETTERS = [
        'l' => 'left', 'left' => 'left', 'r' => 'right', 'right' => 'right',
        't' => 'toe', 'toe' => 'toe', 'h' => 'heel', 'heel' => 'heel',
        'high' => 'up', 'hi' => 'up', 'u' => 'up', 'up' => 'up', 'low' => 'down', 'lo' => 'down', 'd' => 'down', 'down' => 'down',
        'c' => 'centre', 'centre' => 'centre', 'center' => 'centre',
    ];

    private function __construct(
        /** Digits with their marks, e.g. "2,450"; null when the cell holds no number. */
        public ?string $digits,
        public bool $negative,
        public ?string $side,
        public ?Unit $unit,
        public bool $blank,
    ) {
    }

    public static function parse(string $text): self
    {
        $plain = str_replace(["\u{2212}", "\u{2013}", "\u{2014}", "\u{FE63}", "\u{FF0D}"], '-', $text);
        $plain = trim(str_replace(["\u{A0}", "\u{202F}", "\u{2009}"], ' ', $plain));
        if ($plain === '' || preg_match('/^(-+|–|n\/?a|nan|null|none|\.|\?)$/i', $plain) === 1) {
            return new self(null, false, null, null, true);
        }
        $number = '\d{1,3}(?:[ \'’]\d{3})+(?:[.,]\d+)?|\d[\d.,]*|[.,]\d+';
        if (preg_match('/^(?<before>[a-z]+)?\s*(?<sign>[+-])?\s*(?<digits>'.$number.')\s*(?<after>[^\d\s][^\d]*)?$/iu', $plain, $m) !== 1) {
            return isset(self::LETTERS[mb_strtolower($plain)]) && self::LETTERS[mb_strtolower($plain)] === 'centre'
                ? new self('0', false, null, null, false)
                : new self(null, false, null, null, false);
        }
        $unit = null;
        $side = null;
        foreach (preg_split('/\s+/', mb_strtolower(trim($m['before'].' '.($m['after'] ?? '')))) ?: [] as $word) {
            if ($word === '') {
                continue;
            }
            if ($side === null && isset(self::LETTERS[$word])) {
                $side = self::LETTERS[$word];
            } elseif ($unit === null && ($unit = Unit::read($word)) !== null) {
                continue;
            } else {
                return new self(null, false, null, null, false);
            }
        }

        return new self(
            str_replace([' ', "'", '’'], '', $m['digits']), $m['sign'] === '-',
            $side === 'centre' ? null : $side, $unit, false,
        );
    }

    /** The magnitude under a decimal mark ('.' or ','); null when the digits do not make a number under it. */
    public function magnitude(string $decimalMark): ?float
    {
        if ($this->digits === null) {
            return null;
        }
        $thousands = $decimalMark === '.' ? ',' : '.';
        $quotedThousands = preg_quote($thousands);
        $quotedDecimal = preg_quote($decimalMark);
        if (
            preg_match("/^(\d{1,3}(?:{$quotedThousands}\d{3})+|\d*)(?:{$quotedDecimal}(\d*))?$/", $this->digits, $m) !== 1 ||
            $m[1].($m[2] ?? '') === ''
        ) {
            return null;
        }

        return (float) (str_replace($thousands, '', $m[1] === '' ? '0' : $m[1]).'.'.(($m[2] ?? '') === '' ? '0' : $m[2]));
    }

    /** 'decimal' or 'thousands' for the one mark in it, null when it has none or could be either. */
    public function evidence(string $mark): ?string
    {
        if ($this->digits === null || ! str_contains($this->digits, $mark)) {
            return null;
        }
        $other = $mark === '.' ? ',' : '.';
        if (str_contains($this->digits, $other)) {
            return strrpos($this->digits, $mark) > strrpos($this->digits, $other) ? 'decimal' : 'thousands';
        }
        if (substr_count($this->digits, $mark) > 1) {
            return 'thousands';
        }

        return preg_match('/^[1-9]\d{0,2}'.preg_quote($mark, '/').'\d{3}$/', $this->digits) === 1 ? null : 'decimal';
    }
}
