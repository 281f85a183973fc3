<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

/**
 * What a setup is made of, as far as judging needs it. Lofts and faces as it presents them under both address habits, face
 * hand-relative, + = open.
 */
final readonly class SetupSpec
{
    /**
     * @param  string  $head  name of the head; the same name is the same head
     * @param  Head  $body  the head with this setup's weights in it; its own design loft
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
    ) {
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

    /** Swing-weight points above another setup: from both swing weights where they are known, else from what the heads weigh. */
    public function heavierBy(self $other): float
    {
        return $this->swingWeightPoints !== null && $other->swingWeightPoints !== null
            ? $this->swingWeightPoints - $other->swingWeightPoints
            : SwingWeight::pointsPerHeadG($this->lengthMm ?? $other->lengthMm) * ($this->body->massG - $other->body->massG);
    }

    /**
     * What differs from another setup, by kind: head, sleeve, weights, shaft, length, ball, tee, cue. Another head brings its own
     * sleeve and weights along: that is one change.
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
