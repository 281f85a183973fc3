<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

/**
 * What a setup is made of, as far as judging needs it. Lofts and faces as it presents them under both address
 * habits, face hand-relative, + = open.
 */
final readonly class SetupSpec
{
    /**
     * @param  string  $head  name of the head; the same name is the same head
     * @param  Head  $body  the head with this setup's weights in it; its own design loft
     * @param  string  $model  name of the head whose effects it shares, where it is that head in another loft; empty: its own
     * @param  float  $printSdDeg  how far its loft may lie from what it is taken to be; 0 where the gauge or shots say
     */
    public function __construct(
        public string $tag,
        public string $head,
        public Head $body,
        public float $squaredLoftDeg,
        public float $soledLoftDeg,
        public float $soledFaceOpenDeg,
        public string $sleeve = '',
        public string $weights = '',
        public string $shaft = '',
        public ?float $lengthMm = null,
        public string $ball = '',
        public ?float $teeMm = null,
        public string $cue = '',
        public ?float $swingWeightPoints = null,
        public bool $loftFromPrint = false,
        public bool $bodyAssumed = false,
        public Hand $hand = Hand::Right,
        public string $model = '',
        public float $printSdDeg = 0.0,
    ) {
    }

    /** Everything but its letter: two setups of one kind are the same club. */
    public function kind(): string
    {
        return hash('xxh128', serialize(['tag' => ''] + get_object_vars($this)));
    }

    /** What heads do of their own belongs to their model: the same head in another loft does the same. */
    public function model(): string
    {
        return $this->model === '' ? $this->head : $this->model;
    }

    /**
     * Loft more than another presents, °: what the head has on its sole, and what squaring makes of the way it is
     * turned.
     *
     * @return array{head: float, turned: float}
     */
    public function loftOver(self $other): array
    {
        return [
            'head' => $this->soledLoftDeg - $other->soledLoftDeg,
            'turned' => $this->squaredLoftDeg - $this->soledLoftDeg - $other->squaredLoftDeg + $other->soledLoftDeg,
        ];
    }

    public function isSameHeadAs(self $other): bool
    {
        return $this->head === $other->head;
    }

    /** What it is made of beside head, sleeve and weights. */
    public function build(): ClubBuild
    {
        return new ClubBuild($this->shaft, $this->lengthMm, $this->ball, $this->teeMm, $this->cue);
    }

    /**
     * Swing-weight points above another setup: from both swing weights where they are known, else from what the
     * heads weigh.
     */
    public function heavierBy(self $other): float
    {
        return $this->swingWeightPoints !== null && $other->swingWeightPoints !== null
            ? $this->swingWeightPoints - $other->swingWeightPoints
            : SwingWeight::pointsPerHeadG($this->lengthMm ?? $other->lengthMm) * ($this->body->massG - $other->body->massG);
    }

    /**
     * What differs from another setup, by kind: head, sleeve, weights, shaft, length, ball, tee, cue. Another head
     * brings its own sleeve and weights along: that is one change.
     *
     * @return list<string>
     */
    public function differsFrom(self $other): array
    {
        $out = [];
        if (! $this->isSameHeadAs($other)) {
            $out[] = 'head';
        } else {
            $out = [...($this->sleeve !== $other->sleeve ? ['sleeve'] : []), ...($this->weights !== $other->weights ? ['weights'] : [])];
        }
        foreach (['shaft' => 'shaft', 'lengthMm' => 'length', 'ball' => 'ball', 'teeMm' => 'tee', 'cue' => 'cue'] as $field => $name) {
            if ($this->{$field} != $other->{$field}) {
                $out[] = $name;
            }
        }

        return $out;
    }
}
